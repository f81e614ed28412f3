ALTER TABLE "runs" DROP CONSTRAINT "runs_queue_entry_id_queue_entries_id_fk";
--> statement-breakpoint
ALTER TABLE "runs" DROP COLUMN "queue_entry_id";