ALTER TABLE "briefs" ADD COLUMN "rules" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD COLUMN "rules" jsonb DEFAULT '{}'::jsonb NOT NULL;