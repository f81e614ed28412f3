ALTER TYPE "public"."notice_kind" ADD VALUE 'brief_late';--> statement-breakpoint
ALTER TABLE "briefs" ADD COLUMN "late_told_at" timestamp with time zone;