ALTER TABLE "hand_ins" ADD COLUMN "inspection_tries" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD COLUMN "inspection_claim" uuid;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD COLUMN "inspecting_since" timestamp with time zone;