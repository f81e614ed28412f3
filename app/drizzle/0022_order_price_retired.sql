ALTER TYPE "public"."queue_state" ADD VALUE 'dropped';--> statement-breakpoint
ALTER TABLE "printers" ADD COLUMN "retired_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "queue_entries" ADD COLUMN "hand_order" integer;--> statement-breakpoint
ALTER TABLE "spools" ADD COLUMN "price_per_kg" real;