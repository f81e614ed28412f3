CREATE TABLE "pointers" (
	"project_id" uuid PRIMARY KEY NOT NULL,
	"teacher_id" text NOT NULL,
	"part_id" text NOT NULL,
	"step_id" text,
	"place_mm" double precision[],
	"words" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "seats" (
	"project_id" uuid NOT NULL,
	"person_id" text NOT NULL,
	"part_id" text NOT NULL,
	"step_id" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "seats_project_id_person_id_pk" PRIMARY KEY("project_id","person_id")
);
--> statement-breakpoint
ALTER TABLE "projects" ADD COLUMN "saves" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "pointers" ADD CONSTRAINT "pointers_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "pointers" ADD CONSTRAINT "pointers_teacher_id_users_id_fk" FOREIGN KEY ("teacher_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "seats" ADD CONSTRAINT "seats_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "seats" ADD CONSTRAINT "seats_person_id_users_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "pointers_teacher_id_index" ON "pointers" USING btree ("teacher_id");--> statement-breakpoint
CREATE INDEX "seats_person_id_index" ON "seats" USING btree ("person_id");