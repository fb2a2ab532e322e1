-- What a transaction may see is decided here and cannot be chosen: the application shows what it was given (nothing at home, a session, the
-- secret of a device, work under way), and the household it opens is written down under a seal that only the owner of these functions can make,
-- good for this transaction of this connection.
CREATE EXTENSION IF NOT EXISTS pgcrypto;--> statement-breakpoint
CREATE SCHEMA "wall";--> statement-breakpoint
CREATE TABLE wall.installation (
  one boolean PRIMARY KEY DEFAULT true CHECK (one),
  mode text NOT NULL DEFAULT 'home' CHECK (mode IN ('home', 'hosted')),
  secret bytea NOT NULL
);--> statement-breakpoint
INSERT INTO wall.installation (secret) VALUES (gen_random_bytes(32));--> statement-breakpoint
-- Whose a secret is, by its digest: the one table that is asked before a household is known.
CREATE TABLE wall.directory (
  digest text PRIMARY KEY,
  kind text NOT NULL,
  household_id uuid NOT NULL,
  thing uuid NOT NULL
);--> statement-breakpoint
CREATE INDEX directory_thing ON wall.directory (household_id, thing);--> statement-breakpoint
-- Over what is said (household and role), this connection and this transaction.
CREATE FUNCTION wall.seal(said text) RETURNS text LANGUAGE sql STABLE SET search_path = public, pg_temp AS $$
  SELECT encode(hmac(convert_to(said || '/' || pg_backend_pid() || '/' || extract(epoch FROM transaction_timestamp()), 'UTF8'), secret, 'sha256'), 'hex')
  FROM wall.installation
$$;--> statement-breakpoint
-- The parts of the setting: household, role, seal; nothing when the seal is not ours.
CREATE FUNCTION wall.opened() RETURNS TABLE (home uuid, part text) LANGUAGE plpgsql STABLE PARALLEL RESTRICTED SET search_path = public, pg_temp AS $$
DECLARE told text := current_setting('app.opened', true);
BEGIN
  IF told IS NULL OR told !~ '^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}[.](owner|member|helper)[.][0-9a-f]{64}$' THEN RETURN; END IF;
  home := split_part(told, '.', 1)::uuid;
  part := split_part(told, '.', 2);
  IF split_part(told, '.', 3) = wall.seal(left(told, -65)) THEN RETURN NEXT; END IF;
END $$;--> statement-breakpoint
-- The same for policies, which ask it at every scan and whenever a query is planned: in one piece and by full names instead of a search path of its
-- own, which makes it three times as fast (20 us).
CREATE FUNCTION opened_household() RETURNS uuid LANGUAGE plpgsql STABLE PARALLEL RESTRICTED COST 2000 SECURITY DEFINER AS $$
DECLARE
  told pg_catalog.text := pg_catalog.current_setting('app.opened', true);
  seal pg_catalog.text;
BEGIN
  IF told IS NULL OR pg_catalog.length(told) < 107 THEN RETURN NULL; END IF;
  SELECT pg_catalog.encode(public.hmac(pg_catalog.convert_to(pg_catalog.left(told, -65) || '/' || pg_catalog.pg_backend_pid() || '/' || extract(epoch FROM pg_catalog.transaction_timestamp()), 'UTF8'), i.secret, 'sha256'), 'hex')
    INTO seal FROM wall.installation i;
  IF pg_catalog.right(told, 65) OPERATOR(pg_catalog.=) ('.' OPERATOR(pg_catalog.||) seal) THEN RETURN pg_catalog.left(told, 36)::pg_catalog.uuid; END IF;
  RETURN NULL;
END $$;--> statement-breakpoint
CREATE FUNCTION wall.open(home uuid, part text) RETURNS void LANGUAGE plpgsql SET search_path = public, pg_temp AS $$
BEGIN
  PERFORM set_config('app.opened', concat_ws('.', home, part, wall.seal(concat_ws('.', home, part))), true);
  -- A helper looks; there is no way back within the transaction.
  IF part = 'helper' THEN PERFORM set_config('transaction_read_only', 'on', true); END IF;
END $$;--> statement-breakpoint
CREATE FUNCTION open_household(by_what text, proof text, wanted uuid) RETURNS TABLE (household uuid, role text)
LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  home uuid;
  part text := 'member';
BEGIN
  IF by_what = 'home' THEN
    SELECT wanted, 'owner' INTO home, part FROM wall.installation WHERE mode = 'home';
  ELSIF by_what = 'session' THEN
    SELECT m.household_id, m.role INTO home, part
    FROM accounts.session s JOIN accounts.membership m ON m.user_id = s.user_id AND m.household_id = s.household_id
    WHERE s.token = proof AND s.expires_at > clock_timestamp();
  ELSIF by_what IN ('device', 'calendar', 'pocket') THEN
    SELECT d.household_id INTO home FROM wall.directory d WHERE d.digest = proof AND d.kind = by_what;
  ELSIF by_what = 'work' THEN
    SELECT w.household_id INTO home FROM work w WHERE w.household_id = wanted AND w.id::text = proof AND w.state IN ('queued', 'active');
  END IF;
  IF home IS NULL OR home IS DISTINCT FROM coalesce(wanted, home) THEN RETURN; END IF;
  PERFORM wall.open(home, part);
  household := home;
  role := part;
  RETURN NEXT;
END $$;--> statement-breakpoint
-- A household of one's own: whoever is signed in becomes its owner and looks at it from now on.
CREATE FUNCTION found_household(session_token text, home uuid) RETURNS boolean LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE
  person text := (SELECT s.user_id FROM accounts.session s WHERE s.token = session_token AND s.expires_at > clock_timestamp());
  part text;
BEGIN
  IF person IS NULL OR home IS NULL THEN RETURN false; END IF;
  SELECT m.role INTO part FROM accounts.membership m WHERE m.household_id = home AND m.user_id = person;
  IF part IS NULL THEN
    IF EXISTS (SELECT FROM household h WHERE h.household_id = home) OR EXISTS (SELECT FROM accounts.membership m WHERE m.household_id = home) THEN RETURN false; END IF;
    IF (SELECT count(*) FROM accounts.membership m WHERE m.user_id = person) >= 20 THEN RETURN false; END IF;
    INSERT INTO accounts.membership (household_id, user_id, role) VALUES (home, person, 'owner');
    part := 'owner';
  END IF;
  UPDATE accounts.session SET household_id = home WHERE token = session_token;
  PERFORM wall.open(home, part);
  RETURN true;
END $$;--> statement-breakpoint
-- Keeps the directory as its tables are.
CREATE FUNCTION wall.note_secret() RETURNS trigger LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  IF TG_OP <> 'INSERT' THEN DELETE FROM wall.directory d WHERE d.household_id = OLD.household_id AND d.thing = OLD.id; END IF;
  IF TG_OP <> 'DELETE' THEN
    IF NEW.revoked_at IS NULL THEN
      INSERT INTO wall.directory (digest, kind, household_id, thing) VALUES (NEW.token_digest, TG_ARGV[0], NEW.household_id, NEW.id);
    END IF;
  END IF;
  RETURN NULL;
END $$;--> statement-breakpoint
CREATE SCHEMA "accounts";
--> statement-breakpoint
CREATE TABLE "pairing" (
	"household_id" uuid NOT NULL,
	"code_digest" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"used_at" timestamp with time zone,
	"wrong" integer DEFAULT 0 NOT NULL,
	CONSTRAINT "pairing_household_id_pk" PRIMARY KEY("household_id")
);
--> statement-breakpoint
ALTER TABLE "pairing" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "pocket" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"token_digest" text NOT NULL,
	"paired_at" timestamp with time zone NOT NULL,
	"last_seen_at" timestamp with time zone,
	"revoked_at" timestamp with time zone,
	CONSTRAINT "pocket_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "pocket" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "reminder" (
	"household_id" uuid NOT NULL,
	"load_id" uuid NOT NULL,
	"due_at" timestamp with time zone NOT NULL,
	"called_at" timestamp with time zone NOT NULL,
	CONSTRAINT "reminder_household_id_load_id_due_at_pk" PRIMARY KEY("household_id","load_id","due_at")
);
--> statement-breakpoint
ALTER TABLE "reminder" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "work" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"kind" text NOT NULL,
	"subject" text DEFAULT '' NOT NULL,
	"state" text DEFAULT 'queued' NOT NULL,
	"input" json NOT NULL,
	"size" integer DEFAULT 0 NOT NULL,
	"progress" jsonb,
	"result" json,
	"problem" text,
	"created_at" timestamp with time zone NOT NULL,
	"due_at" timestamp with time zone NOT NULL,
	"beat_at" timestamp with time zone,
	"tries" integer DEFAULT 0 NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "work_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
ALTER TABLE "work" ENABLE ROW LEVEL SECURITY;--> statement-breakpoint
CREATE TABLE "accounts"."account" (
	"id" text PRIMARY KEY NOT NULL,
	"user_id" text NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"issuer" text,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "accounts"."failed_sign_in" (
	"email_digest" text PRIMARY KEY NOT NULL,
	"failures" integer NOT NULL,
	"since" timestamp with time zone NOT NULL,
	"closed_until" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "accounts"."invitation" (
	"household_id" uuid NOT NULL,
	"id" uuid DEFAULT gen_random_uuid() NOT NULL,
	"role" text NOT NULL,
	"name" text NOT NULL,
	"token_digest" text NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"accepted_at" timestamp with time zone,
	"revoked_at" timestamp with time zone,
	CONSTRAINT "invitation_household_id_id_pk" PRIMARY KEY("household_id","id")
);
--> statement-breakpoint
CREATE TABLE "accounts"."membership" (
	"household_id" uuid NOT NULL,
	"user_id" text NOT NULL,
	"role" text NOT NULL,
	"mailed" boolean DEFAULT false NOT NULL,
	"joined_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "membership_household_id_user_id_pk" PRIMARY KEY("household_id","user_id")
);
--> statement-breakpoint
CREATE TABLE "accounts"."passkey" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text,
	"public_key" text NOT NULL,
	"user_id" text NOT NULL,
	"credential_id" text NOT NULL,
	"counter" integer NOT NULL,
	"device_type" text NOT NULL,
	"backed_up" boolean NOT NULL,
	"transports" text,
	"aaguid" text,
	"created_at" timestamp with time zone DEFAULT now(),
	CONSTRAINT "passkey_credential_id_unique" UNIQUE("credential_id")
);
--> statement-breakpoint
CREATE TABLE "accounts"."session" (
	"id" text PRIMARY KEY NOT NULL,
	"user_id" text NOT NULL,
	"token" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"household_id" uuid,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "session_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "accounts"."trail" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"at" timestamp with time zone NOT NULL,
	"what" text NOT NULL,
	"user_id" text,
	"household_id" uuid,
	"about" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE TABLE "accounts"."user" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "user_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "accounts"."verification" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
DROP INDEX "calendar_feed_token";--> statement-breakpoint
DROP INDEX "device_token";--> statement-breakpoint
ALTER TABLE "reminder" ADD CONSTRAINT "reminder_household_id_load_id_load_household_id_id_fk" FOREIGN KEY ("household_id","load_id") REFERENCES "public"."load"("household_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "accounts"."account" ADD CONSTRAINT "account_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "accounts"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "accounts"."membership" ADD CONSTRAINT "membership_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "accounts"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "accounts"."passkey" ADD CONSTRAINT "passkey_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "accounts"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "accounts"."session" ADD CONSTRAINT "session_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "accounts"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "pocket_token" ON "pocket" USING btree ("household_id","token_digest");--> statement-breakpoint
CREATE UNIQUE INDEX "work_under_way" ON "work" USING btree ("household_id","kind","subject") WHERE state in ('queued', 'active');--> statement-breakpoint
CREATE INDEX "account_user" ON "accounts"."account" USING btree ("user_id");--> statement-breakpoint
CREATE UNIQUE INDEX "invitation_token" ON "accounts"."invitation" USING btree ("token_digest");--> statement-breakpoint
CREATE INDEX "membership_user" ON "accounts"."membership" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "passkey_user" ON "accounts"."passkey" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "session_user" ON "accounts"."session" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "trail_user" ON "accounts"."trail" USING btree ("user_id","at");--> statement-breakpoint
CREATE INDEX "trail_household" ON "accounts"."trail" USING btree ("household_id","at");--> statement-breakpoint
CREATE INDEX "verification_identifier" ON "accounts"."verification" USING btree ("identifier");--> statement-breakpoint
CREATE UNIQUE INDEX "calendar_feed_token" ON "calendar_feed" USING btree ("household_id","token_digest");--> statement-breakpoint
CREATE UNIQUE INDEX "device_token" ON "device" USING btree ("household_id","token_digest");--> statement-breakpoint
CREATE POLICY "pairing_household" ON "pairing" AS PERMISSIVE FOR ALL TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
CREATE POLICY "pocket_household" ON "pocket" AS PERMISSIVE FOR ALL TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
CREATE POLICY "reminder_household" ON "reminder" AS PERMISSIVE FOR ALL TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
CREATE POLICY "work_household" ON "work" AS PERMISSIVE FOR ALL TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "basket_entry_household" ON "basket_entry" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "book_value_household" ON "book_value" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "calendar_feed_household" ON "calendar_feed" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "cleaner_visit_household" ON "cleaner_visit" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "day_promise_household" ON "day_promise" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "day_wish_household" ON "day_wish" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "decision_household" ON "decision" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "device_sample_household" ON "device_sample" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "device_household" ON "device" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "dryer_run_household" ON "dryer_run" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "drying_check_household" ON "drying_check" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "equipment_household" ON "equipment" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "event_household" ON "event" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "finding_household" ON "finding" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "freshening_household" ON "freshening" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "garment_household" ON "garment" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "household_change_household" ON "household_change" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "household_household" ON "household" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "import_household" ON "import" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "load_household" ON "load" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "photo_household" ON "photo" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "plan_household" ON "plan" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "product_household" ON "product" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "programme_household" ON "programme" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "room_air_household" ON "room_air" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "soak_household" ON "soak" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "submission_household" ON "submission" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "treatment_household" ON "treatment" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "upkeep_household" ON "upkeep" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "washer_household" ON "washer" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "weather_hour_household" ON "weather_hour" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "wet_piece_household" ON "wet_piece" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
ALTER POLICY "wish_household" ON "wish" TO public USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());--> statement-breakpoint
INSERT INTO wall.directory (digest, kind, household_id, thing)
SELECT token_digest, 'device', household_id, id FROM device WHERE revoked_at IS NULL
UNION ALL SELECT token_digest, 'calendar', household_id, id FROM calendar_feed WHERE revoked_at IS NULL;--> statement-breakpoint
CREATE TRIGGER device_secret AFTER INSERT OR UPDATE OF token_digest, revoked_at OR DELETE ON device FOR EACH ROW EXECUTE FUNCTION wall.note_secret('device');--> statement-breakpoint
CREATE TRIGGER calendar_feed_secret AFTER INSERT OR UPDATE OF token_digest, revoked_at OR DELETE ON calendar_feed FOR EACH ROW EXECUTE FUNCTION wall.note_secret('calendar');--> statement-breakpoint
CREATE TRIGGER pocket_secret AFTER INSERT OR UPDATE OF token_digest, revoked_at OR DELETE ON pocket FOR EACH ROW EXECUTE FUNCTION wall.note_secret('pocket');--> statement-breakpoint
CREATE OR REPLACE FUNCTION device_home(digest text) RETURNS TABLE (household uuid, device uuid) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS
$$ SELECT d.household_id, d.thing FROM wall.directory d WHERE d.digest = $1 AND d.kind = 'device' $$;--> statement-breakpoint
CREATE OR REPLACE FUNCTION calendar_home(digest text) RETURNS TABLE (household uuid, feed uuid) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS
$$ SELECT d.household_id, d.thing FROM wall.directory d WHERE d.digest = $1 AND d.kind = 'calendar' $$;--> statement-breakpoint
CREATE FUNCTION pocket_home(digest text) RETURNS TABLE (household uuid, pocket uuid) LANGUAGE sql SECURITY DEFINER SET search_path = public, pg_temp AS $$
  UPDATE pocket p SET last_seen_at = now() FROM wall.directory d
  WHERE d.digest = $1 AND d.kind = 'pocket' AND p.household_id = d.household_id AND p.id = d.thing AND coalesce(p.last_seen_at, 'epoch') < now() - interval '1 hour';
  SELECT d.household_id, d.thing FROM wall.directory d WHERE d.digest = $1 AND d.kind = 'pocket'
$$;--> statement-breakpoint
-- Lets a phone in by its code: once, in time, after at most five wrong guesses by anybody. Answers the household, or nothing.
CREATE FUNCTION pair_pocket(code text, called text, token text) RETURNS uuid LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE home uuid;
BEGIN
  IF NOT EXISTS (SELECT FROM wall.installation WHERE mode = 'home') THEN RETURN NULL; END IF;
  UPDATE pairing SET used_at = now() WHERE code_digest = code AND used_at IS NULL AND expires_at > clock_timestamp() AND wrong < 5
  RETURNING household_id INTO home;
  IF home IS NULL THEN
    UPDATE pairing SET wrong = wrong + 1 WHERE used_at IS NULL AND expires_at > clock_timestamp();
    RETURN NULL;
  END IF;
  INSERT INTO pocket (household_id, name, token_digest, paired_at) VALUES (home, called, token, now());
  RETURN home;
END $$;--> statement-breakpoint
-- At home the owner of this machine switches between its households; everybody else sees the one they were let into.
CREATE OR REPLACE FUNCTION households_here() RETURNS TABLE (id uuid, name text) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT h.household_id, h.name FROM household h, wall.installation i
  WHERE h.household_id = opened_household() OR (i.mode = 'home' AND EXISTS (SELECT FROM wall.opened() o WHERE o.part = 'owner'))
  ORDER BY h.created_at, h.household_id
$$;--> statement-breakpoint
-- The households of an account, for the role that sees no household.
CREATE FUNCTION households_of(person text) RETURNS TABLE (id uuid, name text, role text) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS $$
  SELECT m.household_id, h.name, m.role FROM accounts.membership m JOIN household h ON h.household_id = m.household_id
  WHERE m.user_id = person ORDER BY m.joined_at, m.household_id
$$;--> statement-breakpoint
CREATE OR REPLACE FUNCTION forget_garment(piece text) RETURNS void LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
DECLARE home uuid := opened_household();
BEGIN
  DELETE FROM event WHERE household_id = home AND garment_id = piece;
  DELETE FROM garment WHERE household_id = home AND id = piece;
END $$;--> statement-breakpoint
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
    'freshening', 'cleaner_visit', 'photo', 'wish', 'book_value', 'work', 'pocket', 'pairing', 'garment', 'product', 'equipment', 'programme', 'washer', 'household']
  LOOP
    EXECUTE format('DELETE FROM %I WHERE household_id = $1', kept) USING home;
  END LOOP;
  DELETE FROM accounts.invitation WHERE household_id = home;
  DELETE FROM accounts.membership WHERE household_id = home;
  UPDATE accounts.session SET household_id = NULL WHERE household_id = home;
END $$;--> statement-breakpoint
-- Work without a sign of life for ten seconds is queued anew and answered to one asker; after five tries it has failed.
CREATE FUNCTION take_up_work() RETURNS TABLE (household uuid, work uuid, kind text) LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
BEGIN
  UPDATE work w SET state = 'failed', problem = 'It was begun several times and never came to an end.', ended_at = now()
  WHERE w.state = 'active' AND w.beat_at < now() - interval '10 seconds' AND w.tries >= 5;
  RETURN QUERY UPDATE work w SET state = 'queued', beat_at = now()
    WHERE w.state IN ('queued', 'active') AND coalesce(w.beat_at, w.due_at) < now() - interval '10 seconds'
    RETURNING w.household_id, w.id, w.kind;
END $$;--> statement-breakpoint
CREATE INDEX work_alive ON work (beat_at) WHERE state IN ('queued', 'active');--> statement-breakpoint
-- Machines that have ended: written down once, by whoever asks first.
CREATE FUNCTION take_reminders() RETURNS TABLE (household uuid, load uuid, number integer) LANGUAGE sql SECURITY DEFINER SET search_path = public, pg_temp AS $$
  WITH called AS (
    INSERT INTO reminder (household_id, load_id, due_at, called_at)
    SELECT l.household_id, l.id, l.ends_at, now() FROM load l
    WHERE l.status = 'running' AND l.walk IS NULL AND l.ends_at <= now() AND l.ends_at > now() - interval '1 day'
    ON CONFLICT DO NOTHING RETURNING household_id, load_id
  )
  SELECT c.household_id, c.load_id, l.number FROM called c JOIN load l ON l.household_id = c.household_id AND l.id = c.load_id
$$;--> statement-breakpoint
CREATE INDEX load_running ON load (ends_at) WHERE status = 'running';--> statement-breakpoint
REVOKE ALL ON FUNCTION take_up_work(), take_reminders() FROM PUBLIC;--> statement-breakpoint
REVOKE ALL ON FUNCTION opened_household(), open_household(text, text, uuid), found_household(text, uuid), pocket_home(text), pair_pocket(text, text, text), households_of(text) FROM PUBLIC;--> statement-breakpoint
GRANT EXECUTE ON FUNCTION opened_household(), open_household(text, text, uuid), found_household(text, uuid), pocket_home(text), pair_pocket(text, text, text) TO neatfold_app;--> statement-breakpoint
-- The owner of the tables is bound as well, unless it may pass by (a superuser, or BYPASSRLS).
DO $$ DECLARE t regclass; BEGIN
  FOR t IN SELECT c.oid::regclass FROM pg_class c WHERE c.relkind = 'r' AND c.relnamespace = 'public'::regnamespace AND c.relrowsecurity LOOP
    EXECUTE format('ALTER TABLE %s FORCE ROW LEVEL SECURITY', t);
  END LOOP;
END $$;
