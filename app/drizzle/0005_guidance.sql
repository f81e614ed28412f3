CREATE TABLE "pulses" (
	"project_id" uuid PRIMARY KEY NOT NULL,
	"report" jsonb NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "briefs" ADD COLUMN "guidance" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "projects" ADD COLUMN "ticked_prompts" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "projects" ADD COLUMN "help_asked_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "pulses" ADD CONSTRAINT "pulses_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;