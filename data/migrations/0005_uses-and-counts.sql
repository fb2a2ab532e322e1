ALTER TABLE "garment" ADD COLUMN "use" text;--> statement-breakpoint
ALTER TABLE "garment" ADD COLUMN "count" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "garment" ADD COLUMN "set_id" text;