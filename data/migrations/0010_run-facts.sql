ALTER TABLE "load" ADD COLUMN "run" jsonb;--> statement-breakpoint
-- Loads of before: what their plan says of them.
UPDATE "load" l SET run = jsonb_build_object(
  'washer', p.result->'loads'->l.number->>'washer',
  'programme', p.result->'loads'->l.number->>'programme',
  'product', p.result->'loads'->l.number->'detergent'->>'product',
  'temperatureC', coalesce((p.result->'loads'->l.number->>'temperatureC')::float8, 0),
  'fill', coalesce((p.result->'loads'->l.number->>'fill')::float8, 0))
FROM plan p WHERE p.household_id = l.household_id AND p.id = l.plan_id;--> statement-breakpoint
ALTER TABLE "load" ALTER COLUMN "run" SET NOT NULL;
