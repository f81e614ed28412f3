ALTER TABLE "printers" DROP CONSTRAINT "printers_spool_id_unique";--> statement-breakpoint
ALTER TABLE "printers" DROP CONSTRAINT "printers_spool_id_spools_id_fk";
--> statement-breakpoint
ALTER TABLE "printers" DROP COLUMN "spool_id";