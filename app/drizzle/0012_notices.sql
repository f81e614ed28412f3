CREATE TYPE "public"."notice_kind" AS ENUM('sent_back', 'refused', 'approved', 'printed', 'handed_in', 'in_doubt', 'run_failed');--> statement-breakpoint
CREATE TABLE "notices" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"person_id" text NOT NULL,
	"kind" "notice_kind" NOT NULL,
	"project_id" uuid,
	"brief_id" uuid,
	"count" integer DEFAULT 1 NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"seen_at" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "notices" ADD CONSTRAINT "notices_person_id_users_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "notices" ADD CONSTRAINT "notices_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "notices" ADD CONSTRAINT "notices_brief_id_briefs_id_fk" FOREIGN KEY ("brief_id") REFERENCES "public"."briefs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "one_unseen_of_a_project" ON "notices" USING btree ("person_id","kind","project_id") WHERE "notices"."seen_at" is null;--> statement-breakpoint
CREATE UNIQUE INDEX "one_unseen_of_a_brief" ON "notices" USING btree ("person_id","kind","brief_id") WHERE "notices"."seen_at" is null;--> statement-breakpoint
CREATE INDEX "notices_person_id_at_index" ON "notices" USING btree ("person_id","at");