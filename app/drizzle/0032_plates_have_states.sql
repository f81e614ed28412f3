CREATE TYPE "public"."plate_state" AS ENUM('laid', 'printing', 'printed', 'discarded');--> statement-breakpoint
ALTER TABLE "plates" ADD COLUMN "state" "plate_state" DEFAULT 'laid' NOT NULL;--> statement-breakpoint
UPDATE "plates" SET "state" = (CASE
  WHEN EXISTS (SELECT 1 FROM "runs" WHERE "runs"."plate_id" = "plates"."id" AND "runs"."state" IN ('preparing', 'sending', 'printing')) THEN 'printing'
  WHEN EXISTS (SELECT 1 FROM "plate_parts" WHERE "plate_parts"."plate_id" = "plates"."id" AND "plate_parts"."is_current") THEN 'laid'
  WHEN EXISTS (SELECT 1 FROM "runs" WHERE "runs"."plate_id" = "plates"."id" AND "runs"."state" = 'finished') THEN 'printed'
  ELSE 'discarded'
END)::"plate_state";
