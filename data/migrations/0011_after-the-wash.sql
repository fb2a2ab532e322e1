CREATE TABLE "cleaner_visit" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"written_at" timestamp with time zone NOT NULL,
	"sent_at" timestamp with time zone,
	"expected_on" text,
	"returned_at" timestamp with time zone,
	"price" double precision,
	"worth_it" boolean,
	"note" text DEFAULT '' NOT NULL,
	"pieces" jsonb NOT NULL,
	CONSTRAINT "cleaner_visit_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "cleaner_visit" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "dryer_run" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"dryer" text NOT NULL,
	"pieces" text[] NOT NULL,
	"low" boolean NOT NULL,
	"kwh" double precision NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"ends_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "dryer_run_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "dryer_run" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "drying_check" (
	"household_id" uuid NOT NULL,
	"id" bigserial NOT NULL,
	"place" text NOT NULL,
	"garment_id" text NOT NULL,
	"found" text NOT NULL,
	"hours" double precision NOT NULL,
	"model_hours" double precision NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "drying_check_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "drying_check" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "freshening" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"garment_id" text NOT NULL,
	"way" text NOT NULL,
	"done" text[] DEFAULT '{}'::text[] NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"clock_ends_at" timestamp with time zone,
	"ended_at" timestamp with time zone,
	"ending" text,
	CONSTRAINT "freshening_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "freshening" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "room_air" (
	"household_id" uuid NOT NULL,
	"choice" text NOT NULL,
	"since" timestamp with time zone NOT NULL,
	CONSTRAINT "room_air_household_id_pk" PRIMARY KEY("household_id")
);
--> statement-breakpoint
ALTER TABLE "room_air" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "weather_hour" (
	"household_id" uuid NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"temperature_c" double precision NOT NULL,
	"humidity" double precision NOT NULL,
	"wind_m_per_s" double precision NOT NULL,
	"rain_mm" double precision NOT NULL,
	CONSTRAINT "weather_hour_household_id_at_pk" PRIMARY KEY("household_id","at")
);
--> statement-breakpoint
ALTER TABLE "weather_hour" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "wet_piece" (
	"household_id" uuid NOT NULL,
	"garment_id" text NOT NULL,
	"load_id" uuid NOT NULL,
	"out_at" timestamp with time zone NOT NULL,
	"moisture" double precision NOT NULL,
	"moisture_at" timestamp with time zone NOT NULL,
	"musty" double precision DEFAULT 0 NOT NULL,
	"place" text,
	"position" text,
	"spots" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"hung_at" timestamp with time zone,
	"model_hours" double precision,
	"turned_at" timestamp with time zone,
	"expected_at" timestamp with time zone,
	"weighed_g" double precision,
	"weighed_at" timestamp with time zone,
	"dry_at" timestamp with time zone,
	"hot_c" double precision,
	"pressed_at" timestamp with time zone,
	CONSTRAINT "wet_piece_household_id_garment_id_pk" PRIMARY KEY("household_id","garment_id")
);
--> statement-breakpoint
ALTER TABLE "wet_piece" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "device_sample" ADD COLUMN "temperature_c" double precision;--> statement-breakpoint
ALTER TABLE "device_sample" ADD COLUMN "humidity" double precision;--> statement-breakpoint
ALTER TABLE "freshening" ADD CONSTRAINT "freshening_household_id_garment_id_garment_household_id_id_fk" FOREIGN KEY ("household_id","garment_id") REFERENCES "public"."garment"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "wet_piece" ADD CONSTRAINT "wet_piece_household_id_garment_id_garment_household_id_id_fk" FOREIGN KEY ("household_id","garment_id") REFERENCES "public"."garment"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "dryer_run_under_way" ON "dryer_run" USING btree ("household_id","dryer") WHERE ended_at is null;--> statement-breakpoint
CREATE INDEX "drying_check_place" ON "drying_check" USING btree ("household_id","place");--> statement-breakpoint
CREATE UNIQUE INDEX "freshening_under_way" ON "freshening" USING btree ("household_id","garment_id") WHERE ended_at is null;--> statement-breakpoint
CREATE POLICY "cleaner_visit_household" ON "cleaner_visit" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "dryer_run_household" ON "dryer_run" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "drying_check_household" ON "drying_check" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "freshening_household" ON "freshening" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "room_air_household" ON "room_air" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "weather_hour_household" ON "weather_hour" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "wet_piece_household" ON "wet_piece" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE OR REPLACE FUNCTION forget_household() RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  home uuid := nullif(current_setting('app.household_id', true), '')::uuid;
  kept text;
BEGIN
  DELETE FROM event WHERE household_id = home;
  FOREACH kept IN ARRAY ARRAY['basket_entry', 'treatment', 'soak', 'finding', 'load', 'plan', 'decision', 'submission', 'import', 'household_change',
    'device_sample', 'device', 'upkeep', 'wet_piece', 'drying_check', 'dryer_run', 'room_air', 'weather_hour', 'freshening', 'cleaner_visit',
    'garment', 'product', 'equipment', 'programme', 'washer', 'household']
  LOOP
    EXECUTE format('DELETE FROM %I WHERE household_id = $1', kept) USING home;
  END LOOP;
END $$;--> statement-breakpoint
-- Pieces that came out of a wash in the last five days and that nobody felt dry or wore since: they hang as their plan said; what it sent to a dryer, or had no place for, still waits.
INSERT INTO wet_piece (household_id, garment_id, load_id, out_at, moisture, moisture_at, place, position, hung_at, model_hours, expected_at)
SELECT DISTINCT ON (l.household_id, g->>'id') l.household_id, g->>'id', l.id, l.finished_at, 0.6, l.finished_at,
  CASE WHEN g->'dry'->>'method' IN ('bars', 'line', 'hanger', 'flat') THEN g->'dry'->>'place' END,
  CASE WHEN g->'dry'->>'method' IN ('bars', 'line', 'hanger', 'flat') THEN g->'dry'->>'method' END,
  CASE WHEN g->'dry'->>'method' IN ('bars', 'line', 'hanger', 'flat') AND g->'dry'->>'place' IS NOT NULL THEN l.finished_at END,
  coalesce((g->'dry'->>'hours')::float8, 12),
  l.finished_at + make_interval(mins => (60 * coalesce((g->'dry'->>'hours')::float8, 12))::int)
FROM load l
JOIN plan p ON p.household_id = l.household_id AND p.id = l.plan_id
CROSS JOIN LATERAL json_array_elements(p.result->'garments') g
JOIN garment here ON here.household_id = l.household_id AND here.id = g->>'id'
WHERE l.status = 'finished' AND l.finished_at > now() - interval '5 days'
  AND ((p.result->'loads'->l.number->'garments')::jsonb ? (g->>'id') OR g->>'id' = ANY (l.added))
  AND NOT EXISTS (
    SELECT 1 FROM event e
    WHERE e.household_id = l.household_id AND e.garment_id = g->>'id' AND e.kind IN ('dried', 'worn') AND e.at >= l.finished_at)
ORDER BY l.household_id, g->>'id', l.finished_at DESC;
