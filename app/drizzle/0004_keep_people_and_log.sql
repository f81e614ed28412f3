CREATE TABLE "audit_log" (
	"id" serial PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"actor_id" text NOT NULL,
	"action" text NOT NULL,
	"subject_id" text NOT NULL,
	"class_id" uuid
);
--> statement-breakpoint
ALTER TABLE "class_members" ADD COLUMN "archived_at" timestamp with time zone;--> statement-breakpoint
DELETE FROM "pictures";--> statement-breakpoint
ALTER TABLE "pictures" ADD COLUMN "project_id" uuid;--> statement-breakpoint
ALTER TABLE "audit_log" ADD CONSTRAINT "audit_log_class_id_classes_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."classes"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "audit_log_class_id_at_index" ON "audit_log" USING btree ("class_id","at");--> statement-breakpoint
ALTER TABLE "pictures" ADD CONSTRAINT "pictures_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;