ALTER TABLE "runs" ADD COLUMN "start_checks" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "cleared_at" timestamp with time zone;--> statement-breakpoint
UPDATE "runs" SET "cleared_at" = coalesce("ended_at", now()) WHERE "state" IN ('finished', 'failed', 'cancelled');
