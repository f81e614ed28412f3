ALTER TABLE "printers" DROP COLUMN "host";--> statement-breakpoint
ALTER TABLE "printers" DROP COLUMN "port";