CREATE TABLE "printer_leases" (
	"printer_id" uuid PRIMARY KEY NOT NULL,
	"fence" integer NOT NULL,
	"held_until" timestamp with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "sent_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "printer_leases" ADD CONSTRAINT "printer_leases_printer_id_printers_id_fk" FOREIGN KEY ("printer_id") REFERENCES "public"."printers"("id") ON DELETE cascade ON UPDATE no action;