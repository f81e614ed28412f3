ALTER TYPE "public"."notice_kind" ADD VALUE 'run_waits' BEFORE 'print_failed';--> statement-breakpoint
ALTER TYPE "public"."notice_kind" ADD VALUE 'run_silent' BEFORE 'print_failed';--> statement-breakpoint
CREATE TABLE "printer_care" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"printer_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"by" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "printers" ADD COLUMN "trend" jsonb DEFAULT '{"version": 1, "value": []}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "silence_told_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "printer_care" ADD CONSTRAINT "printer_care_printer_id_printers_id_fk" FOREIGN KEY ("printer_id") REFERENCES "public"."printers"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "printer_care" ADD CONSTRAINT "printer_care_by_users_id_fk" FOREIGN KEY ("by") REFERENCES "public"."users"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "printer_care_printer_id_kind_at_index" ON "printer_care" USING btree ("printer_id","kind","at");