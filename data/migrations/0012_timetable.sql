CREATE TABLE "calendar_feed" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"token_digest" text NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"last_read_at" timestamp with time zone,
	"revoked_at" timestamp with time zone,
	CONSTRAINT "calendar_feed_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "calendar_feed" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "day_promise" (
	"household_id" uuid NOT NULL,
	"aim" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"tasks" jsonb NOT NULL,
	CONSTRAINT "day_promise_household_id_pk" PRIMARY KEY("household_id")
);
--> statement-breakpoint
ALTER TABLE "day_promise" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "day_wish" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"kind" text NOT NULL,
	"load_id" uuid,
	"task" text,
	"person" integer,
	"at" timestamp with time zone,
	"until" timestamp with time zone,
	"said_at" timestamp with time zone NOT NULL,
	"before" jsonb,
	CONSTRAINT "day_wish_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "day_wish" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "people_names" text[] DEFAULT '{}'::text[] NOT NULL;--> statement-breakpoint
ALTER TABLE "day_wish" ADD CONSTRAINT "day_wish_household_id_load_id_load_household_id_id_fk" FOREIGN KEY ("household_id","load_id") REFERENCES "public"."load"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "calendar_feed_token" ON "calendar_feed" USING btree ("token_digest");--> statement-breakpoint
CREATE POLICY "calendar_feed_household" ON "calendar_feed" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "day_promise_household" ON "day_promise" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "day_wish_household" ON "day_wish" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
-- Whose calendar an address belongs to; only the digest of its secret is known here.
CREATE FUNCTION calendar_home(digest text) RETURNS TABLE (household uuid, feed uuid) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS
$$ SELECT household_id, id FROM calendar_feed WHERE token_digest = digest AND revoked_at IS NULL $$;--> statement-breakpoint
REVOKE ALL ON FUNCTION calendar_home(text) FROM PUBLIC;--> statement-breakpoint
GRANT EXECUTE ON FUNCTION calendar_home(text) TO neatfold_app;--> statement-breakpoint
CREATE OR REPLACE FUNCTION forget_household() RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  home uuid := nullif(current_setting('app.household_id', true), '')::uuid;
  kept text;
BEGIN
  DELETE FROM event WHERE household_id = home;
  FOREACH kept IN ARRAY ARRAY['basket_entry', 'treatment', 'soak', 'finding', 'day_wish', 'day_promise', 'calendar_feed', 'load', 'plan', 'decision',
    'submission', 'import', 'household_change', 'device_sample', 'device', 'upkeep', 'wet_piece', 'drying_check', 'dryer_run', 'room_air', 'weather_hour',
    'freshening', 'cleaner_visit', 'garment', 'product', 'equipment', 'programme', 'washer', 'household']
  LOOP
    EXECUTE format('DELETE FROM %I WHERE household_id = $1', kept) USING home;
  END LOOP;
END $$;
