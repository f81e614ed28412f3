CREATE TABLE "project_files" (
	"project_id" uuid NOT NULL,
	"hash" text NOT NULL,
	"stl" "bytea" NOT NULL,
	CONSTRAINT "project_files_project_id_hash_pk" PRIMARY KEY("project_id","hash")
);
--> statement-breakpoint
ALTER TABLE "project_files" ADD CONSTRAINT "project_files_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;