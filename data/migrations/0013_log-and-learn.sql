CREATE TABLE "book_value" (
	"household_id" uuid NOT NULL,
	"lesson" text NOT NULL,
	"since" timestamp with time zone NOT NULL,
	CONSTRAINT "book_value_household_id_lesson_pk" PRIMARY KEY("household_id","lesson")
);
--> statement-breakpoint
ALTER TABLE "book_value" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "photo" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"garment_id" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"moment" text NOT NULL,
	"place" text NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"size" integer NOT NULL,
	"picture" "bytea" NOT NULL,
	"thumb" "bytea" NOT NULL,
	CONSTRAINT "photo_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "photo" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "wish" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"garment" jsonb NOT NULL,
	"price" double precision,
	"owner" text DEFAULT '' NOT NULL,
	"wears_per_year" double precision NOT NULL,
	"ending" text,
	"ended_at" timestamp with time zone,
	CONSTRAINT "wish_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "wish" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "event" ADD COLUMN "strikes" bigint GENERATED ALWAYS AS ((data->>'struck')::bigint) STORED;--> statement-breakpoint
ALTER TABLE "import" ADD COLUMN "events" bigint[] DEFAULT '{}'::bigint[] NOT NULL;--> statement-breakpoint
ALTER TABLE "photo" ADD CONSTRAINT "photo_household_id_garment_id_garment_household_id_id_fk" FOREIGN KEY ("household_id","garment_id") REFERENCES "public"."garment"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "photo_garment" ON "photo" USING btree ("household_id","garment_id","at");--> statement-breakpoint
CREATE INDEX "event_newest" ON "event" USING btree ("household_id","at","id") WHERE strikes is null;--> statement-breakpoint
CREATE INDEX "event_kind" ON "event" USING btree ("household_id","kind","at");--> statement-breakpoint
CREATE INDEX "event_strikes" ON "event" USING btree ("household_id","strikes") WHERE strikes is not null;--> statement-breakpoint
CREATE POLICY "book_value_household" ON "book_value" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "photo_household" ON "photo" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "wish_household" ON "wish" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
-- What history asks of a load, for those of before: as their plan has it, at the prices their household document stated.
UPDATE "load" l SET run = l.run || jsonb_build_object(
  'pieces', coalesce(d.load->'garments', '[]'::jsonb),
  'massKg', coalesce((d.load->>'massKg')::float8, 0),
  'durationMin', coalesce((d.load->>'durationMin')::float8, 0),
  'attendedMin', coalesce((SELECT sum((s->>'minutes')::float8) FROM jsonb_array_elements(d.load->'procedure') s WHERE (s->>'attended')::boolean), 0),
  'waterL', coalesce((d.load->>'waterL')::float8, 0),
  'energyKwh', coalesce((d.load->>'energyKwh')::float8, 0),
  'pricePerKwh', d.per_kwh,
  'money', coalesce((d.load->>'energyKwh')::float8, 0) * d.per_kwh + coalesce((d.load->>'waterL')::float8, 0) / 1000 * d.per_m3
    + coalesce((SELECT sum(coalesce((x->>'amount')::float8, 0) * coalesce((p->>'pricePerUnit')::float8,
        CASE x->>'unit' WHEN 'ml' THEN 0.004 WHEN 'g' THEN 0.004 WHEN 'sheet' THEN 0.15 ELSE 0.3 END))
      FROM jsonb_array_elements(d.doses) x LEFT JOIN jsonb_array_elements(coalesce(nullif(d.home->'products', 'null'::jsonb), '[]'::jsonb)) p ON p->>'id' = x->>'product'), 0)
    + coalesce((SELECT (w->>'pricePerRun')::float8 FROM jsonb_array_elements(coalesce(nullif(d.home->'washers', 'null'::jsonb), '[]'::jsonb)) w
      WHERE w->>'id' = d.load->>'washer'), 0),
  'doses', coalesce((SELECT jsonb_agg(jsonb_build_object('product', x->>'product', 'class', x->>'class', 'amount', (x->>'amount')::float8, 'unit', x->>'unit'))
    FROM jsonb_array_elements(d.doses) x), '[]'::jsonb))
FROM (
  SELECT k.household_id, k.id, b.load, b.home,
    coalesce((b.home->'tariff'->>'electricityPerKwh')::float8, 0.3) AS per_kwh,
    coalesce((b.home->'tariff'->>'waterPerM3')::float8, 4.5) AS per_m3,
    CASE WHEN jsonb_typeof(b.load->'detergent') = 'object' THEN jsonb_build_array(b.load->'detergent') ELSE '[]'::jsonb END
      || coalesce(nullif(b.load->'additives', 'null'::jsonb), '[]'::jsonb) AS doses
  FROM "load" k JOIN plan p ON p.household_id = k.household_id AND p.id = k.plan_id,
  LATERAL (SELECT (p.result->'loads'->k.number)::jsonb AS load, (p.hamper->'household')::jsonb AS home) b
) d
WHERE d.household_id = l.household_id AND d.id = l.id;--> statement-breakpoint
CREATE OR REPLACE FUNCTION forget_household() RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  home uuid := nullif(current_setting('app.household_id', true), '')::uuid;
  kept text;
BEGIN
  DELETE FROM event WHERE household_id = home;
  FOREACH kept IN ARRAY ARRAY['basket_entry', 'treatment', 'soak', 'finding', 'day_wish', 'day_promise', 'calendar_feed', 'load', 'plan', 'decision',
    'submission', 'import', 'household_change', 'device_sample', 'device', 'upkeep', 'wet_piece', 'drying_check', 'dryer_run', 'room_air', 'weather_hour',
    'freshening', 'cleaner_visit', 'photo', 'wish', 'book_value', 'garment', 'product', 'equipment', 'programme', 'washer', 'household']
  LOOP
    EXECUTE format('DELETE FROM %I WHERE household_id = $1', kept) USING home;
  END LOOP;
END $$;
