ALTER TABLE "queue_entries" DROP CONSTRAINT "queue_entries_print_file_id_unique";--> statement-breakpoint
ALTER TABLE "queue_entries" ADD COLUMN "copy" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "queue_entries" ADD CONSTRAINT "queue_entries_print_file_id_copy_unique" UNIQUE("print_file_id","copy");