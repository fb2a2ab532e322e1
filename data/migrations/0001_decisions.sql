CREATE TABLE "decision" (
	"household_id" uuid NOT NULL,
	"id" bigserial NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"pins" jsonb NOT NULL,
	"note" text NOT NULL,
	CONSTRAINT "decision_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "decision" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "plan" ADD COLUMN "insights" jsonb;--> statement-breakpoint
CREATE POLICY "decision_household" ON "decision" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);