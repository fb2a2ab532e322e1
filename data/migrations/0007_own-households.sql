CREATE TABLE "household_change" (
	"household_id" uuid NOT NULL,
	"id" bigserial NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"note" text NOT NULL,
	"subject" text DEFAULT '' NOT NULL,
	"before" jsonb NOT NULL,
	CONSTRAINT "household_change_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "household_change" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "import" (
	"household_id" uuid NOT NULL,
	"id" uuid NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"note" text NOT NULL,
	"before" jsonb NOT NULL,
	CONSTRAINT "import_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "import" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "garment" ADD COLUMN "height_cm" double precision;--> statement-breakpoint
ALTER TABLE "garment" ADD COLUMN "retired_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "garment" ADD COLUMN "retired_because" text;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "times" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "units" jsonb DEFAULT '{"temperature":"C","mass":"kg","volume":"ml","length":"cm","hardness":"mmol","locale":"en-GB"}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "product" ADD COLUMN "measure_name" text;--> statement-breakpoint
ALTER TABLE "product" ADD COLUMN "measure_holds" double precision;--> statement-breakpoint
ALTER TABLE "washer" ADD COLUMN "refuses_forms" text[] DEFAULT '{}'::text[] NOT NULL;--> statement-breakpoint
ALTER TABLE "washer" ADD COLUMN "bleach_dispenser" boolean DEFAULT false NOT NULL;--> statement-breakpoint
CREATE POLICY "household_change_household" ON "household_change" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "import_household" ON "import" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
-- Which households there are on this machine; each for itself is only seen from inside.
CREATE FUNCTION households_here() RETURNS TABLE (id uuid, name text) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS
$$ SELECT household_id, name FROM household ORDER BY created_at, household_id $$;--> statement-breakpoint
-- Events are append-only for the application; only a whole piece or a whole household is forgotten, and only from inside.
CREATE FUNCTION forget_garment(piece text) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE home uuid := nullif(current_setting('app.household_id', true), '')::uuid;
BEGIN
  DELETE FROM event WHERE household_id = home AND garment_id = piece;
  DELETE FROM garment WHERE household_id = home AND id = piece;
END $$;--> statement-breakpoint
CREATE FUNCTION forget_household() RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  home uuid := nullif(current_setting('app.household_id', true), '')::uuid;
  kept text;
BEGIN
  DELETE FROM event WHERE household_id = home;
  FOREACH kept IN ARRAY ARRAY['basket_entry', 'treatment', 'soak', 'load', 'plan', 'decision', 'submission', 'import', 'household_change',
    'garment', 'product', 'equipment', 'programme', 'washer', 'household']
  LOOP
    EXECUTE format('DELETE FROM %I WHERE household_id = $1', kept) USING home;
  END LOOP;
END $$;--> statement-breakpoint
REVOKE ALL ON FUNCTION households_here(), forget_garment(text), forget_household() FROM PUBLIC;--> statement-breakpoint
GRANT EXECUTE ON FUNCTION households_here(), forget_garment(text), forget_household() TO neatfold_app;
