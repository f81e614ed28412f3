ALTER TABLE "briefs" ADD COLUMN "plain_words" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "kept_briefs" ADD COLUMN "plain_words" boolean DEFAULT false NOT NULL;