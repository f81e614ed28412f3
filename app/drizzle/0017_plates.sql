ALTER TYPE "public"."queue_state" ADD VALUE 'laid' BEFORE 'printing';--> statement-breakpoint
CREATE TABLE "plate_parts" (
	"plate_id" uuid NOT NULL,
	"queue_entry_id" uuid NOT NULL,
	"x_mm" real NOT NULL,
	"y_mm" real NOT NULL,
	"turn_deg" real NOT NULL,
	"is_current" boolean DEFAULT true NOT NULL,
	"outcome" text,
	"outcome_note" text DEFAULT '' NOT NULL,
	"outcome_photo" "bytea",
	"outcome_at" timestamp with time zone,
	CONSTRAINT "plate_parts_plate_id_queue_entry_id_pk" PRIMARY KEY("plate_id","queue_entry_id")
);
--> statement-breakpoint
CREATE TABLE "plates" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"number" serial NOT NULL,
	"choice" jsonb NOT NULL,
	"estimate" jsonb,
	"created_by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "plates_number_unique" UNIQUE("number")
);
--> statement-breakpoint
DROP INDEX "one_run_an_entry";--> statement-breakpoint
ALTER TABLE "print_files" ADD COLUMN "footprint" jsonb DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE "print_files" ALTER COLUMN "footprint" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "queue_entries" ADD COLUMN "held_at" timestamp with time zone;--> statement-breakpoint
-- Each run was of one part: it becomes the run of a plate with that part in the middle of the bed.
ALTER TABLE "runs" ADD COLUMN "plate_id" uuid;--> statement-breakpoint
INSERT INTO "plates" ("id", "choice", "created_by", "created_at")
  SELECT "id", '{"set":"everyday"}', "started_by", "started_at" FROM "runs" ORDER BY "started_at";--> statement-breakpoint
INSERT INTO "plate_parts" ("plate_id", "queue_entry_id", "x_mm", "y_mm", "turn_deg", "is_current")
  SELECT r."id", r."queue_entry_id",
    (h."limits" #>> '{buildVolumeMm,0}')::real / 2, (h."limits" #>> '{buildVolumeMm,1}')::real / 2, 0,
    r."state" in ('preparing', 'sending', 'printing')
  FROM "runs" r
  JOIN "queue_entries" q ON q."id" = r."queue_entry_id"
  JOIN "print_files" f ON f."id" = q."print_file_id"
  JOIN "hand_ins" h ON h."id" = f."hand_in_id";--> statement-breakpoint
UPDATE "runs" SET "plate_id" = "id";--> statement-breakpoint
ALTER TABLE "runs" ALTER COLUMN "plate_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "solids" ADD COLUMN "footprint" jsonb DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE "solids" ALTER COLUMN "footprint" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "plate_parts" ADD CONSTRAINT "plate_parts_plate_id_plates_id_fk" FOREIGN KEY ("plate_id") REFERENCES "public"."plates"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plate_parts" ADD CONSTRAINT "plate_parts_queue_entry_id_queue_entries_id_fk" FOREIGN KEY ("queue_entry_id") REFERENCES "public"."queue_entries"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "plates" ADD CONSTRAINT "plates_created_by_users_id_fk" FOREIGN KEY ("created_by") REFERENCES "public"."users"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "one_plate_a_part" ON "plate_parts" USING btree ("queue_entry_id") WHERE "plate_parts"."is_current";--> statement-breakpoint
ALTER TABLE "runs" ADD CONSTRAINT "runs_plate_id_plates_id_fk" FOREIGN KEY ("plate_id") REFERENCES "public"."plates"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "one_run_a_plate" ON "runs" USING btree ("plate_id") WHERE "runs"."state" in ('preparing', 'sending', 'printing');