ALTER TABLE "batch_parts" ADD COLUMN "supports_off_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "batch_parts" ADD COLUMN "supports_off_by" text;--> statement-breakpoint
ALTER TABLE "batch_parts" ADD CONSTRAINT "batch_parts_supports_off_by_users_id_fk" FOREIGN KEY ("supports_off_by") REFERENCES "public"."users"("id") ON DELETE set null ON UPDATE no action;