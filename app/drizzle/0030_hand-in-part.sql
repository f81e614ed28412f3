ALTER TABLE "hand_ins" ADD COLUMN "part_id" text;--> statement-breakpoint
UPDATE "hand_ins" SET "part_id" = coalesce("versions"."design" ->> 'chosen', 'p1') FROM "versions" WHERE "versions"."id" = "hand_ins"."version_id";--> statement-breakpoint
ALTER TABLE "hand_ins" ALTER COLUMN "part_id" SET NOT NULL;
