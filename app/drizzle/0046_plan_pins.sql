CREATE TABLE "plan_pin_parts" (
	"queue_entry_id" uuid PRIMARY KEY NOT NULL,
	"pin_id" uuid NOT NULL
);
--> statement-breakpoint
CREATE TABLE "plan_pins" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"printer_id" uuid NOT NULL,
	"start_at" timestamp with time zone NOT NULL,
	"by" text
);
--> statement-breakpoint
ALTER TABLE "school" ADD COLUMN "planning" jsonb;--> statement-breakpoint
ALTER TABLE "plan_pin_parts" ADD CONSTRAINT "plan_pin_parts_queue_entry_id_queue_entries_id_fk" FOREIGN KEY ("queue_entry_id") REFERENCES "public"."queue_entries"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_pin_parts" ADD CONSTRAINT "plan_pin_parts_pin_id_plan_pins_id_fk" FOREIGN KEY ("pin_id") REFERENCES "public"."plan_pins"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_pins" ADD CONSTRAINT "plan_pins_printer_id_printers_id_fk" FOREIGN KEY ("printer_id") REFERENCES "public"."printers"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plan_pins" ADD CONSTRAINT "plan_pins_by_users_id_fk" FOREIGN KEY ("by") REFERENCES "public"."users"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "plan_pin_parts_pin_id_index" ON "plan_pin_parts" USING btree ("pin_id");