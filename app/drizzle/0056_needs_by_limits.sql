ALTER TABLE "hand_ins" ADD COLUMN "estimate" jsonb;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD COLUMN "footprint" jsonb;--> statement-breakpoint
UPDATE "hand_ins" SET "estimate" = "solids"."estimate", "footprint" = "solids"."footprint"
FROM "solids" WHERE "solids"."hash" = "hand_ins"."solid_hash";--> statement-breakpoint
ALTER TABLE "solids" DROP COLUMN "estimate";--> statement-breakpoint
ALTER TABLE "solids" DROP COLUMN "footprint";
