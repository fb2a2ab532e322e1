CREATE TABLE "device_sample" (
	"household_id" uuid NOT NULL,
	"id" bigserial NOT NULL,
	"device_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"counter_s" double precision NOT NULL,
	"watts" double precision,
	"phase" text,
	"remaining_min" double precision,
	"error" text,
	CONSTRAINT "device_sample_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "device_sample" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "device" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"washer_id" text NOT NULL,
	"token_digest" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"last_seen_at" timestamp with time zone,
	"revoked_at" timestamp with time zone,
	CONSTRAINT "device_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "device" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "finding" (
	"household_id" uuid NOT NULL,
	"load_id" uuid NOT NULL,
	"look" text NOT NULL,
	"kind" text NOT NULL,
	"answer" text NOT NULL,
	"pieces" text[] NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"actor" text NOT NULL,
	CONSTRAINT "finding_household_id_load_id_look_pk" PRIMARY KEY("household_id","load_id","look")
);
--> statement-breakpoint
ALTER TABLE "finding" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "upkeep" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"machine" text NOT NULL,
	"task" text NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"ends_at" timestamp with time zone,
	"done_at" timestamp with time zone,
	"actor" text NOT NULL,
	CONSTRAINT "upkeep_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "upkeep" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "load" ADD COLUMN "added" text[] DEFAULT '{}'::text[] NOT NULL;--> statement-breakpoint
ALTER TABLE "load" ADD COLUMN "walk" jsonb;--> statement-breakpoint
ALTER TABLE "load" ADD COLUMN "walk_state" jsonb;--> statement-breakpoint
ALTER TABLE "load" ADD COLUMN "trouble" text;--> statement-breakpoint
ALTER TABLE "load" ADD COLUMN "measured" jsonb;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "aside" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "device_sample" ADD CONSTRAINT "device_sample_household_id_device_id_device_household_id_id_fk" FOREIGN KEY ("household_id","device_id") REFERENCES "public"."device"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "finding" ADD CONSTRAINT "finding_household_id_load_id_load_household_id_id_fk" FOREIGN KEY ("household_id","load_id") REFERENCES "public"."load"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "device_sample_newest" ON "device_sample" USING btree ("household_id","device_id","at");--> statement-breakpoint
CREATE UNIQUE INDEX "device_token" ON "device" USING btree ("token_digest");--> statement-breakpoint
CREATE UNIQUE INDEX "upkeep_under_way" ON "upkeep" USING btree ("household_id","machine") WHERE done_at is null;--> statement-breakpoint
CREATE POLICY "device_sample_household" ON "device_sample" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "device_household" ON "device" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "finding_household" ON "finding" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "upkeep_household" ON "upkeep" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
-- Whose device a token belongs to; only its digest is known here.
CREATE FUNCTION device_home(digest text) RETURNS TABLE (household uuid, device uuid) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS
$$ SELECT household_id, id FROM device WHERE token_digest = digest AND revoked_at IS NULL $$;--> statement-breakpoint
CREATE OR REPLACE FUNCTION forget_household() RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  home uuid := nullif(current_setting('app.household_id', true), '')::uuid;
  kept text;
BEGIN
  DELETE FROM event WHERE household_id = home;
  FOREACH kept IN ARRAY ARRAY['basket_entry', 'treatment', 'soak', 'finding', 'load', 'plan', 'decision', 'submission', 'import', 'household_change',
    'device_sample', 'device', 'upkeep', 'garment', 'product', 'equipment', 'programme', 'washer', 'household']
  LOOP
    EXECUTE format('DELETE FROM %I WHERE household_id = $1', kept) USING home;
  END LOOP;
END $$;--> statement-breakpoint
-- A load that was finished before each question was asked by itself: what was seen then are its answers.
INSERT INTO finding (household_id, load_id, look, kind, answer, pieces, at, actor)
SELECT l.household_id, l.id, 'catcher', 'catcher', l.findings->>'catcher',
       ARRAY(SELECT jsonb_array_elements_text((p.result->'loads'->l.number->'garments')::jsonb)), l.finished_at, 'home'
FROM load l JOIN plan p ON p.household_id = l.household_id AND p.id = l.plan_id
WHERE l.status = 'finished' AND l.finished_at IS NOT NULL AND l.findings->>'catcher' IN ('clear', 'trace', 'strong');--> statement-breakpoint
REVOKE ALL ON FUNCTION device_home(text) FROM PUBLIC;--> statement-breakpoint
GRANT EXECUTE ON FUNCTION device_home(text) TO neatfold_app;
