CREATE TABLE "versions" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"project_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"name" text NOT NULL,
	"design" json NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "versions_project_id_number_unique" UNIQUE("project_id","number")
);
--> statement-breakpoint
ALTER TABLE "projects" RENAME COLUMN "recipe" TO "design";--> statement-breakpoint
ALTER TABLE "classes" ADD COLUMN "file_pattern" text DEFAULT '{brief}_{student}_{part}_v{n}' NOT NULL;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD COLUMN "version_id" uuid;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD COLUMN "part" text DEFAULT 'Part' NOT NULL;--> statement-breakpoint
ALTER TABLE "hand_ins" ALTER COLUMN "part" DROP DEFAULT;--> statement-breakpoint
-- Every hand-in is a version; those from before were of a project that was a single recipe.
INSERT INTO "versions" ("project_id", "number", "name", "design", "created_at")
	SELECT "project_id", "number", 'Hand-in ' || "number", "recipe", "created_at" FROM "hand_ins";--> statement-breakpoint
UPDATE "hand_ins" SET "version_id" = "versions"."id" FROM "versions"
	WHERE "versions"."project_id" = "hand_ins"."project_id" AND "versions"."number" = "hand_ins"."number";--> statement-breakpoint
ALTER TABLE "hand_ins" ALTER COLUMN "version_id" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "versions" ADD CONSTRAINT "versions_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD CONSTRAINT "hand_ins_version_id_versions_id_fk" FOREIGN KEY ("version_id") REFERENCES "public"."versions"("id") ON DELETE cascade ON UPDATE no action;