ALTER TYPE "public"."hand_in_state" ADD VALUE 'withdrawn';--> statement-breakpoint
CREATE TABLE "kept_remarks" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"teacher_id" text NOT NULL,
	"words" text NOT NULL,
	"kept_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "kept_remarks_teacher_id_words_unique" UNIQUE("teacher_id","words")
);
--> statement-breakpoint
CREATE TABLE "remarks" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hand_in_id" uuid NOT NULL,
	"author_id" text NOT NULL,
	"words" text NOT NULL,
	"anchor" jsonb NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "waivers" (
	"hand_in_id" uuid NOT NULL,
	"check" text NOT NULL,
	"reason" text NOT NULL,
	"waived_by" text NOT NULL,
	"waived_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "waivers_hand_in_id_check_pk" PRIMARY KEY("hand_in_id","check")
);
--> statement-breakpoint
ALTER TABLE "print_files" ADD COLUMN "replaces" uuid;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD COLUMN "note" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD COLUMN "arguments" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD COLUMN "seen_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "kept_remarks" ADD CONSTRAINT "kept_remarks_teacher_id_users_id_fk" FOREIGN KEY ("teacher_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "remarks" ADD CONSTRAINT "remarks_hand_in_id_hand_ins_id_fk" FOREIGN KEY ("hand_in_id") REFERENCES "public"."hand_ins"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "remarks" ADD CONSTRAINT "remarks_author_id_users_id_fk" FOREIGN KEY ("author_id") REFERENCES "public"."users"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "waivers" ADD CONSTRAINT "waivers_hand_in_id_hand_ins_id_fk" FOREIGN KEY ("hand_in_id") REFERENCES "public"."hand_ins"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "waivers" ADD CONSTRAINT "waivers_waived_by_users_id_fk" FOREIGN KEY ("waived_by") REFERENCES "public"."users"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "remarks_hand_in_id_index" ON "remarks" USING btree ("hand_in_id");--> statement-breakpoint
ALTER TABLE "print_files" ADD CONSTRAINT "print_files_replaces_print_files_id_fk" FOREIGN KEY ("replaces") REFERENCES "public"."print_files"("id") ON DELETE set null ON UPDATE no action;