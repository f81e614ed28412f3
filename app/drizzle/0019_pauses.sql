ALTER TABLE "runs" ADD COLUMN "paused_for" text;--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "wish" text;