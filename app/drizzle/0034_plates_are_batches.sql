-- What is printed together is a batch; a plate is the surface that it is printed on.
ALTER TYPE "plate_state" RENAME TO "batch_state";--> statement-breakpoint
ALTER TABLE "plates" RENAME TO "batches";--> statement-breakpoint
ALTER TABLE "plate_parts" RENAME TO "batch_parts";--> statement-breakpoint
ALTER TABLE "batch_parts" RENAME COLUMN "plate_id" TO "batch_id";--> statement-breakpoint
ALTER TABLE "runs" RENAME COLUMN "plate_id" TO "batch_id";--> statement-breakpoint
ALTER INDEX "one_plate_a_part" RENAME TO "one_batch_a_part";--> statement-breakpoint
ALTER INDEX "one_run_a_plate" RENAME TO "one_run_a_batch";--> statement-breakpoint
ALTER INDEX "plates_pkey" RENAME TO "batches_pkey";--> statement-breakpoint
ALTER SEQUENCE "plates_number_seq" RENAME TO "batches_number_seq";--> statement-breakpoint
ALTER TABLE "batches" RENAME CONSTRAINT "plates_number_unique" TO "batches_number_unique";--> statement-breakpoint
ALTER TABLE "batches" RENAME CONSTRAINT "plates_planned_for_printers_id_fk" TO "batches_planned_for_printers_id_fk";--> statement-breakpoint
ALTER TABLE "batches" RENAME CONSTRAINT "plates_created_by_users_id_fk" TO "batches_created_by_users_id_fk";--> statement-breakpoint
ALTER TABLE "batch_parts" RENAME CONSTRAINT "plate_parts_plate_id_plates_id_fk" TO "batch_parts_batch_id_batches_id_fk";--> statement-breakpoint
ALTER TABLE "batch_parts" RENAME CONSTRAINT "plate_parts_queue_entry_id_queue_entries_id_fk" TO "batch_parts_queue_entry_id_queue_entries_id_fk";--> statement-breakpoint
ALTER TABLE "batch_parts" RENAME CONSTRAINT "plate_parts_plate_id_queue_entry_id_pk" TO "batch_parts_batch_id_queue_entry_id_pk";--> statement-breakpoint
ALTER TABLE "runs" RENAME CONSTRAINT "runs_plate_id_plates_id_fk" TO "runs_batch_id_batches_id_fk";--> statement-breakpoint
UPDATE "audit_log" SET "action" = CASE "action"
	WHEN 'lay-plate' THEN 'lay-batch'
	WHEN 'discard-plate' THEN 'discard-batch'
	WHEN 'clear-bed' THEN 'clear-plate' END
WHERE "action" IN ('lay-plate', 'discard-plate', 'clear-bed');--> statement-breakpoint
-- What was ticked before a start: the sheet that lies flat was called the plate, and the plate that is empty the bed.
UPDATE "runs" SET "start_checks" = (
	SELECT coalesce(jsonb_agg(CASE checked WHEN 'plate' THEN 'sheet' WHEN 'bed' THEN 'plate' ELSE checked END), '[]'::jsonb)
	FROM jsonb_array_elements_text("start_checks") AS checked
)
WHERE "start_checks" ?| array['plate', 'bed'];
