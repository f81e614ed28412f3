ALTER TYPE "public"."notice_kind" ADD VALUE 'run_due';--> statement-breakpoint
ALTER TABLE "printers" ADD COLUMN "connection" jsonb;--> statement-breakpoint
-- Until now every printer was reached over the network.
UPDATE "printers" SET "connection" = jsonb_build_object('version', 1, 'value', jsonb_build_object('way', 'network', 'host', "host", 'port', "port"));--> statement-breakpoint
ALTER TABLE "printers" ALTER COLUMN "connection" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "begun_by_hand_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "done_by_hand_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "failed_by_hand" text;--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "asked_at" timestamp with time zone;