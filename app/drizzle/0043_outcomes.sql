ALTER TYPE "public"."notice_kind" ADD VALUE 'print_failed';--> statement-breakpoint
ALTER TYPE "public"."notice_kind" ADD VALUE 'part_failed';--> statement-breakpoint
CREATE TABLE "corrected_outcomes" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"batch_id" uuid NOT NULL,
	"queue_entry_id" uuid NOT NULL,
	"outcome" text NOT NULL,
	"note" text NOT NULL,
	"by" text,
	"at" timestamp with time zone,
	"corrected_by" text,
	"corrected_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "batch_parts" ADD COLUMN "outcome_by" text;--> statement-breakpoint
ALTER TABLE "batch_parts" ADD COLUMN "handed_out_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "corrected_outcomes" ADD CONSTRAINT "corrected_outcomes_by_users_id_fk" FOREIGN KEY ("by") REFERENCES "public"."users"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "corrected_outcomes" ADD CONSTRAINT "corrected_outcomes_corrected_by_users_id_fk" FOREIGN KEY ("corrected_by") REFERENCES "public"."users"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "corrected_outcomes" ADD CONSTRAINT "corrected_outcomes_batch_id_queue_entry_id_batch_parts_batch_id_queue_entry_id_fk" FOREIGN KEY ("batch_id","queue_entry_id") REFERENCES "public"."batch_parts"("batch_id","queue_entry_id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "corrected_outcomes_batch_id_queue_entry_id_index" ON "corrected_outcomes" USING btree ("batch_id","queue_entry_id");--> statement-breakpoint
ALTER TABLE "batch_parts" ADD CONSTRAINT "batch_parts_outcome_by_users_id_fk" FOREIGN KEY ("outcome_by") REFERENCES "public"."users"("id") ON DELETE set null ON UPDATE no action;