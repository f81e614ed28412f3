-- Data that Kelbrin keeps as JSON says which version of its form it is in; what there was is the first.
ALTER TABLE "runs" ALTER COLUMN "start_checks" SET DEFAULT '{"version": 1, "value": []}'::jsonb;--> statement-breakpoint
ALTER TABLE "hand_ins" ALTER COLUMN "arguments" SET DEFAULT '{"version": 1, "value": []}'::jsonb;--> statement-breakpoint
UPDATE "print_files" SET "estimate" = jsonb_build_object('version', 1, 'value', "estimate") WHERE "estimate" IS NOT NULL;--> statement-breakpoint
UPDATE "print_files" SET "footprint" = jsonb_build_object('version', 1, 'value', "footprint") WHERE "footprint" IS NOT NULL;--> statement-breakpoint
UPDATE "solids" SET "estimate" = jsonb_build_object('version', 1, 'value', "estimate") WHERE "estimate" IS NOT NULL;--> statement-breakpoint
UPDATE "solids" SET "footprint" = jsonb_build_object('version', 1, 'value', "footprint") WHERE "footprint" IS NOT NULL;--> statement-breakpoint
UPDATE "printers" SET "status" = jsonb_build_object('version', 1, 'value', "status") WHERE "status" IS NOT NULL;--> statement-breakpoint
UPDATE "batches" SET "choice" = jsonb_build_object('version', 1, 'value', "choice") WHERE "choice" IS NOT NULL;--> statement-breakpoint
UPDATE "batches" SET "estimate" = jsonb_build_object('version', 1, 'value', "estimate") WHERE "estimate" IS NOT NULL;--> statement-breakpoint
UPDATE "batch_parts" SET "measured_mm" = jsonb_build_object('version', 1, 'value', "measured_mm") WHERE "measured_mm" IS NOT NULL;--> statement-breakpoint
UPDATE "runs" SET "start_checks" = jsonb_build_object('version', 1, 'value', "start_checks") WHERE "start_checks" IS NOT NULL;--> statement-breakpoint
UPDATE "school" SET "day" = jsonb_build_object('version', 1, 'value', "day") WHERE "day" IS NOT NULL;--> statement-breakpoint
UPDATE "pulses" SET "report" = jsonb_build_object('version', 1, 'value', "report") WHERE "report" IS NOT NULL;--> statement-breakpoint
UPDATE "hand_ins" SET "arguments" = jsonb_build_object('version', 1, 'value', "arguments") WHERE "arguments" IS NOT NULL;--> statement-breakpoint
UPDATE "hand_ins" SET "inspection" = jsonb_build_object('version', 1, 'value', "inspection") WHERE "inspection" IS NOT NULL;--> statement-breakpoint
UPDATE "remarks" SET "anchor" = jsonb_build_object('version', 1, 'value', "anchor") WHERE "anchor" IS NOT NULL;
