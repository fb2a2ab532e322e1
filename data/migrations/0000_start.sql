CREATE TABLE "basket_entry" (
	"household_id" uuid NOT NULL,
	"garment_id" text NOT NULL,
	"state" jsonb NOT NULL,
	"added_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "basket_entry_household_id_garment_id_pk" PRIMARY KEY("household_id","garment_id")
);
--> statement-breakpoint
ALTER TABLE "basket_entry" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "equipment" (
	"household_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"id" text NOT NULL,
	"position" integer NOT NULL,
	"body" jsonb NOT NULL,
	CONSTRAINT "equipment_household_id_kind_id_pk" PRIMARY KEY("household_id","kind","id")
);
--> statement-breakpoint
ALTER TABLE "equipment" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "event" (
	"household_id" uuid NOT NULL,
	"id" bigserial NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"kind" text NOT NULL,
	"garment_id" text NOT NULL,
	"load_id" uuid,
	"data" jsonb NOT NULL,
	CONSTRAINT "event_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "event" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "garment" (
	"household_id" uuid NOT NULL,
	"id" text NOT NULL,
	"position" bigserial NOT NULL,
	"name" text NOT NULL,
	"owner" text DEFAULT '' NOT NULL,
	"kind" text NOT NULL,
	"size" text DEFAULT 'M' NOT NULL,
	"parts" jsonb NOT NULL,
	"traits" text[] NOT NULL,
	"colours" jsonb NOT NULL,
	"dye" text DEFAULT 'unknown' NOT NULL,
	"label" jsonb,
	"dry_mass_g" double precision,
	"value_eur" double precision DEFAULT 20 NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "garment_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "garment" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "household" (
	"household_id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"time_zone" text DEFAULT 'UTC' NOT NULL,
	"rules" jsonb NOT NULL,
	"days_to_next_wash" double precision DEFAULT 3 NOT NULL,
	"water" jsonb NOT NULL,
	"tariff" jsonb NOT NULL,
	"room" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "household" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "load" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"plan_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"status" text DEFAULT 'planned' NOT NULL,
	"ticked" text[] DEFAULT '{}'::text[] NOT NULL,
	"started_at" timestamp with time zone,
	"ends_at" timestamp with time zone,
	"finished_at" timestamp with time zone,
	"findings" jsonb,
	"dose_taken" boolean DEFAULT false NOT NULL,
	CONSTRAINT "load_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "load" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "plan" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"hamper" json NOT NULL,
	"result" json NOT NULL,
	CONSTRAINT "plan_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "plan" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "product" (
	"household_id" uuid NOT NULL,
	"id" text NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"class" text NOT NULL,
	"form" text NOT NULL,
	"dose" jsonb,
	"remaining" double precision,
	"price_per_unit" double precision,
	CONSTRAINT "product_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "product" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "programme" (
	"household_id" uuid NOT NULL,
	"washer_id" text NOT NULL,
	"id" text NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"family" text NOT NULL,
	"action" text NOT NULL,
	"temperatures_c" double precision[] NOT NULL,
	"spins_rpm" double precision[] NOT NULL,
	"max_load_kg" double precision NOT NULL,
	"duration_min" double precision NOT NULL,
	"water_l" double precision,
	"energy_kwh_at" jsonb,
	CONSTRAINT "programme_household_id_washer_id_id_pk" PRIMARY KEY("household_id","washer_id","id")
);
--> statement-breakpoint
ALTER TABLE "programme" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "washer" (
	"household_id" uuid NOT NULL,
	"id" text NOT NULL,
	"position" integer NOT NULL,
	"name" text NOT NULL,
	"loading" text NOT NULL,
	"drum_radius_m" double precision,
	"drum_volume_l" double precision,
	"price_per_run" double precision DEFAULT 0 NOT NULL,
	CONSTRAINT "washer_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "washer" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "basket_entry" ADD CONSTRAINT "basket_entry_household_id_garment_id_garment_household_id_id_fk" FOREIGN KEY ("household_id","garment_id") REFERENCES "public"."garment"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "event" ADD CONSTRAINT "event_household_id_garment_id_garment_household_id_id_fk" FOREIGN KEY ("household_id","garment_id") REFERENCES "public"."garment"("household_id","id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "load" ADD CONSTRAINT "load_household_id_plan_id_plan_household_id_id_fk" FOREIGN KEY ("household_id","plan_id") REFERENCES "public"."plan"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "programme" ADD CONSTRAINT "programme_household_id_washer_id_washer_household_id_id_fk" FOREIGN KEY ("household_id","washer_id") REFERENCES "public"."washer"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "event_garment" ON "event" USING btree ("household_id","garment_id","at");--> statement-breakpoint
CREATE INDEX "load_plan" ON "load" USING btree ("household_id","plan_id");--> statement-breakpoint
CREATE INDEX "plan_newest" ON "plan" USING btree ("household_id","created_at");--> statement-breakpoint
CREATE POLICY "basket_entry_household" ON "basket_entry" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "equipment_household" ON "equipment" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "event_household" ON "event" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "garment_household" ON "garment" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "household_household" ON "household" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "load_household" ON "load" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "plan_household" ON "plan" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "product_household" ON "product" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "programme_household" ON "programme" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "washer_household" ON "washer" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);