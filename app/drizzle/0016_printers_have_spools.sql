ALTER TABLE "printers" DROP COLUMN "material";--> statement-breakpoint
ALTER TABLE "printers" DROP COLUMN "colour";--> statement-breakpoint
ALTER TABLE "printers" DROP COLUMN "colour_name";