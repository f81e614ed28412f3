CREATE TABLE "team_members" (
	"project_id" uuid NOT NULL,
	"student_id" text NOT NULL,
	CONSTRAINT "team_members_project_id_student_id_pk" PRIMARY KEY("project_id","student_id")
);
--> statement-breakpoint
ALTER TABLE "team_members" ADD CONSTRAINT "team_members_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "team_members" ADD CONSTRAINT "team_members_student_id_users_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "team_members_student_id_index" ON "team_members" USING btree ("student_id");--> statement-breakpoint
ALTER TABLE "projects" DROP COLUMN "name";