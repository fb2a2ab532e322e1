CREATE TABLE "soak" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"pieces" text[] NOT NULL,
	"plan" jsonb NOT NULL,
	"started_at" timestamp with time zone,
	"stirs" integer DEFAULT 0 NOT NULL,
	"ended_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "soak_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "soak" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "treatment" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"garment_id" text NOT NULL,
	"stain_id" text NOT NULL,
	"procedure" jsonb NOT NULL,
	"state" jsonb NOT NULL,
	"opened_at" timestamp with time zone DEFAULT now() NOT NULL,
	"clock_started_at" timestamp with time zone,
	"clock_ends_at" timestamp with time zone,
	"closed_at" timestamp with time zone,
	"outcome" text,
	CONSTRAINT "treatment_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "treatment" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "garment" ADD COLUMN "test_first_risk" text;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "nets" integer DEFAULT 4 NOT NULL;--> statement-breakpoint
ALTER TABLE "household" ADD COLUMN "nets_without_metal" integer DEFAULT 2 NOT NULL;--> statement-breakpoint
ALTER TABLE "treatment" ADD CONSTRAINT "treatment_household_id_garment_id_garment_household_id_id_fk" FOREIGN KEY ("household_id","garment_id") REFERENCES "public"."garment"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE POLICY "soak_household" ON "soak" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);--> statement-breakpoint
CREATE POLICY "treatment_household" ON "treatment" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);