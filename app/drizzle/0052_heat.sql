ALTER TYPE "public"."notice_kind" ADD VALUE 'printer_hot';--> statement-breakpoint
ALTER TABLE "notices" ADD COLUMN "printer_id" uuid;--> statement-breakpoint
ALTER TABLE "printers" ADD COLUMN "hot_since" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "printers" ADD COLUMN "hot_told_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "notices" ADD CONSTRAINT "notices_printer_id_printers_id_fk" FOREIGN KEY ("printer_id") REFERENCES "public"."printers"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "one_unseen_of_a_printer" ON "notices" USING btree ("person_id","kind","printer_id") WHERE "notices"."seen_at" is null;