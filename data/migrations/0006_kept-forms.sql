CREATE TABLE "submission" (
	"household_id" uuid NOT NULL,
	"key" uuid NOT NULL,
	"digest" text NOT NULL,
	"answer" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "submission_household_id_key_digest_pk" PRIMARY KEY("household_id","key","digest")
);
--> statement-breakpoint
ALTER TABLE "submission" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "event" ADD COLUMN "actor" text DEFAULT 'home' NOT NULL;--> statement-breakpoint
CREATE INDEX "submission_age" ON "submission" USING btree ("household_id","at");--> statement-breakpoint
CREATE POLICY "submission_household" ON "submission" AS PERMISSIVE FOR ALL TO "neatfold_app" USING (household_id = nullif(current_setting('app.household_id', true), '')::uuid) WITH CHECK (household_id = nullif(current_setting('app.household_id', true), '')::uuid);