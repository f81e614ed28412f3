CREATE TYPE "public"."change_step" AS ENUM('heating', 'hot', 'unloading', 'empty', 'loading', 'loaded', 'purging', 'cooling');--> statement-breakpoint
CREATE TABLE "filament_changes" (
	"printer_id" uuid PRIMARY KEY NOT NULL,
	"spool_id" uuid NOT NULL,
	"step" "change_step" DEFAULT 'heating' NOT NULL,
	"nozzle_c" real NOT NULL,
	"stepped_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "filament_changes_spool_id_unique" UNIQUE("spool_id")
);
--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "spool_from" real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE "filament_changes" ADD CONSTRAINT "filament_changes_printer_id_printers_id_fk" FOREIGN KEY ("printer_id") REFERENCES "public"."printers"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "filament_changes" ADD CONSTRAINT "filament_changes_spool_id_spools_id_fk" FOREIGN KEY ("spool_id") REFERENCES "public"."spools"("id") ON DELETE cascade ON UPDATE no action;