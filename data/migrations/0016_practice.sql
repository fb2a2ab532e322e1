CREATE TABLE "practice_round" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"basket" text NOT NULL,
	"person" text DEFAULT '' NOT NULL,
	"luck" integer NOT NULL,
	"play" jsonb NOT NULL,
	"hints" integer DEFAULT 0 NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"ended_at" timestamp with time zone,
	"scores" jsonb,
	CONSTRAINT "practice_round_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "practice_round" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE INDEX "practice_round_person" ON "practice_round" USING btree ("household_id","person","ended_at");--> statement-breakpoint
CREATE POLICY "practice_round_household" ON "practice_round" AS PERMISSIVE FOR ALL TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER TABLE "practice_round" FORCE ROW LEVEL SECURITY;--> statement-breakpoint
-- What is forgotten with a household.
CREATE OR REPLACE FUNCTION forget_household() RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  home uuid;
  kept text;
BEGIN
  SELECT o.home INTO home FROM wall.opened() o WHERE o.part = 'owner';
  IF home IS NULL THEN RAISE EXCEPTION 'only an owner forgets a household' USING ERRCODE = '42501'; END IF;
  DELETE FROM event WHERE household_id = home;
  FOREACH kept IN ARRAY ARRAY['basket_entry', 'treatment', 'soak', 'finding', 'day_wish', 'day_promise', 'calendar_feed', 'reminder', 'load', 'plan', 'decision',
    'submission', 'import', 'household_change', 'device_sample', 'device', 'upkeep', 'wet_piece', 'drying_check', 'dryer_run', 'room_air', 'weather_hour',
    'freshening', 'cleaner_visit', 'photo', 'wish', 'book_value', 'practice_round', 'work', 'pocket', 'pairing', 'garment', 'product', 'equipment', 'programme', 'washer', 'household']
  LOOP
    EXECUTE format('DELETE FROM %I WHERE household_id = $1', kept) USING home;
  END LOOP;
  DELETE FROM accounts.invitation WHERE household_id = home;
  DELETE FROM accounts.membership WHERE household_id = home;
  UPDATE accounts.session SET household_id = NULL WHERE household_id = home;
END $$;
