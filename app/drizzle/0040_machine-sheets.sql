CREATE TABLE "machine_sheets" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"sheet" jsonb NOT NULL,
	CONSTRAINT "machine_sheets_name_unique" UNIQUE("name")
);
--> statement-breakpoint
ALTER TABLE "printers" ADD COLUMN "sheet_id" uuid;--> statement-breakpoint
ALTER TABLE "printers" ADD CONSTRAINT "printers_sheet_id_machine_sheets_id_fk" FOREIGN KEY ("sheet_id") REFERENCES "public"."machine_sheets"("id") ON DELETE no action ON UPDATE no action;