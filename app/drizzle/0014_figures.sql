CREATE TABLE "failings" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"project_id" uuid NOT NULL,
	"check" text NOT NULL,
	"since" timestamp with time zone DEFAULT now() NOT NULL,
	"until" timestamp with time zone
);
--> statement-breakpoint
ALTER TABLE "projects" ADD COLUMN "begun_at" timestamp with time zone DEFAULT now() NOT NULL;--> statement-breakpoint
-- When older projects were begun nobody knows; they were there when they were last saved.
UPDATE "projects" SET "begun_at" = "updated_at";--> statement-breakpoint
ALTER TABLE "failings" ADD CONSTRAINT "failings_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "one_failing_a_check" ON "failings" USING btree ("project_id","check") WHERE "failings"."until" is null;