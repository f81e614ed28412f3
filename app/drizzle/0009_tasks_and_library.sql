CREATE TABLE "kept_briefs" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"teacher_id" text NOT NULL,
	"title" text NOT NULL,
	"task" jsonb NOT NULL,
	"starter" json,
	"rules" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"guidance" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"copies" integer DEFAULT 1 NOT NULL,
	"kept_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "kept_briefs_teacher_id_title_unique" UNIQUE("teacher_id","title")
);
--> statement-breakpoint
CREATE TABLE "task_pictures" (
	"teacher_id" text NOT NULL,
	"hash" text NOT NULL,
	"media_type" text NOT NULL,
	"picture" "bytea" NOT NULL,
	"added_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "task_pictures_teacher_id_hash_pk" PRIMARY KEY("teacher_id","hash")
);
--> statement-breakpoint
-- What was plain words becomes a paragraph to a line.
ALTER TABLE "briefs" RENAME COLUMN "task" TO "task_words";--> statement-breakpoint
ALTER TABLE "briefs" ADD COLUMN "task" jsonb;--> statement-breakpoint
UPDATE "briefs" SET "task" = jsonb_build_object(
	'type', 'doc',
	'content', coalesce(
		(
			SELECT jsonb_agg(jsonb_build_object(
				'type', 'paragraph',
				'content', jsonb_build_array(jsonb_build_object('type', 'text', 'text', line))
			))
			FROM regexp_split_to_table("task_words", E'\r?\n') AS line
			WHERE trim(line) <> ''
		),
		'[]'::jsonb
	)
);--> statement-breakpoint
ALTER TABLE "briefs" ALTER COLUMN "task" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "briefs" DROP COLUMN "task_words";--> statement-breakpoint
ALTER TABLE "briefs" ADD COLUMN "copies" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "kept_briefs" ADD CONSTRAINT "kept_briefs_teacher_id_users_id_fk" FOREIGN KEY ("teacher_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "task_pictures" ADD CONSTRAINT "task_pictures_teacher_id_users_id_fk" FOREIGN KEY ("teacher_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;