ALTER TABLE "runs" ADD COLUMN "rolls" jsonb;--> statement-breakpoint
ALTER TABLE "filament_changes" ADD COLUMN "place" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "spools" ADD COLUMN "printer_id" uuid;--> statement-breakpoint
ALTER TABLE "spools" ADD COLUMN "place" integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "spools" ADD CONSTRAINT "spools_printer_id_printers_id_fk" FOREIGN KEY ("printer_id") REFERENCES "public"."printers"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "spools" ADD CONSTRAINT "one_roll_a_place" UNIQUE("printer_id","place");--> statement-breakpoint
UPDATE "spools" SET "printer_id" = "printers"."id" FROM "printers" WHERE "printers"."spool_id" = "spools"."id";
