-- The log in 32 parts by household. Run once by the owner, with the application stopped; the application notices nothing: the same table, keys,
-- policy and rights. The parts lie in a schema that the application cannot look into, so that nobody reads one past its policy.
BEGIN;
CREATE SCHEMA parts;
ALTER TABLE event RENAME TO event_whole;
CREATE TABLE event (LIKE event_whole INCLUDING DEFAULTS INCLUDING GENERATED INCLUDING COMMENTS) PARTITION BY HASH (household_id);
DO $$ BEGIN
  FOR k IN 0..31 LOOP
    EXECUTE format('CREATE TABLE parts.event_%s PARTITION OF event FOR VALUES WITH (MODULUS 32, REMAINDER %s)', k, k);
  END LOOP;
END $$;
INSERT INTO event (household_id, id, at, kind, garment_id, load_id, actor, data)
  SELECT household_id, id, at, kind, garment_id, load_id, actor, data FROM event_whole;
ALTER SEQUENCE event_id_seq OWNED BY event.id;
DROP TABLE event_whole;
ALTER TABLE event ADD CONSTRAINT event_household_id_id_pk PRIMARY KEY (household_id, id);
ALTER TABLE event ADD CONSTRAINT event_household_id_garment_id_garment_household_id_id_fk
  FOREIGN KEY (household_id, garment_id) REFERENCES garment (household_id, id);
CREATE INDEX event_garment ON event (household_id, garment_id, at);
CREATE INDEX event_newest ON event (household_id, at, id) WHERE strikes IS NULL;
CREATE INDEX event_kind ON event (household_id, kind, at);
CREATE INDEX event_strikes ON event (household_id, strikes) WHERE strikes IS NOT NULL;
ALTER TABLE event ENABLE ROW LEVEL SECURITY;
ALTER TABLE event FORCE ROW LEVEL SECURITY;
CREATE POLICY event_household ON event FOR ALL TO public
  USING (household_id = opened_household()) WITH CHECK (household_id = opened_household());
GRANT SELECT, INSERT ON event TO neatfold_app;
COMMIT;
