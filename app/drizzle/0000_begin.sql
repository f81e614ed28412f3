CREATE TYPE "public"."role" AS ENUM('student', 'teacher', 'helper');--> statement-breakpoint
CREATE TYPE "public"."queue_state" AS ENUM('waiting', 'printing', 'printed');--> statement-breakpoint
CREATE TYPE "public"."run_state" AS ENUM('preparing', 'sending', 'printing', 'finished', 'failed', 'cancelled');--> statement-breakpoint
CREATE TYPE "public"."hand_in_state" AS ENUM('checking', 'refused', 'waiting', 'sent_back', 'approved');--> statement-breakpoint
CREATE TABLE "limits_cards" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"card" jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "accounts" (
	"id" text PRIMARY KEY NOT NULL,
	"user_id" text NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"password" text,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "class_members" (
	"class_id" uuid NOT NULL,
	"user_id" text NOT NULL,
	"sign_in_name" text,
	CONSTRAINT "class_members_class_id_user_id_pk" PRIMARY KEY("class_id","user_id"),
	CONSTRAINT "class_members_class_id_sign_in_name_unique" UNIQUE("class_id","sign_in_name")
);
--> statement-breakpoint
CREATE TABLE "classes" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"code" text NOT NULL,
	"teacher_id" text NOT NULL,
	"limits_card_id" uuid NOT NULL,
	CONSTRAINT "classes_code_unique" UNIQUE("code")
);
--> statement-breakpoint
CREATE TABLE "sessions" (
	"id" text PRIMARY KEY NOT NULL,
	"token" text NOT NULL,
	"user_id" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "sessions_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "sign_in_attempts" (
	"key" text PRIMARY KEY NOT NULL,
	"failures" integer NOT NULL,
	"since" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "users" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"role" "role" DEFAULT 'student' NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "users_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "verifications" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "print_files" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"hand_in_id" uuid NOT NULL,
	"name" text NOT NULL,
	"hash" text NOT NULL,
	"three_mf" "bytea" NOT NULL,
	"stl_hash" text NOT NULL,
	"stl" "bytea" NOT NULL,
	"estimate" jsonb NOT NULL,
	"frozen_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "print_files_hand_in_id_unique" UNIQUE("hand_in_id")
);
--> statement-breakpoint
CREATE TABLE "printers" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"model" text NOT NULL,
	"host" text NOT NULL,
	"port" integer NOT NULL,
	"material" text NOT NULL,
	"colour" text NOT NULL,
	"colour_name" text NOT NULL,
	"status" jsonb,
	"seen_at" timestamp with time zone,
	CONSTRAINT "printers_name_unique" UNIQUE("name")
);
--> statement-breakpoint
CREATE TABLE "queue_entries" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"print_file_id" uuid NOT NULL,
	"state" "queue_state" DEFAULT 'waiting' NOT NULL,
	"position" serial NOT NULL,
	"joined_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "queue_entries_print_file_id_unique" UNIQUE("print_file_id")
);
--> statement-breakpoint
CREATE TABLE "runs" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"printer_id" uuid NOT NULL,
	"queue_entry_id" uuid NOT NULL,
	"state" "run_state" DEFAULT 'preparing' NOT NULL,
	"progress" real DEFAULT 0 NOT NULL,
	"file_name" text NOT NULL,
	"estimate_s" real NOT NULL,
	"problem" text,
	"cancel_asked_at" timestamp with time zone,
	"started_by" text NOT NULL,
	"started_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ended_at" timestamp with time zone,
	CONSTRAINT "runs_file_name_unique" UNIQUE("file_name")
);
--> statement-breakpoint
CREATE TABLE "briefs" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"class_id" uuid NOT NULL,
	"title" text NOT NULL,
	"task" text NOT NULL,
	"due_on" date,
	"starter" json
);
--> statement-breakpoint
CREATE TABLE "hand_ins" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"project_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"recipe" json NOT NULL,
	"limits" jsonb NOT NULL,
	"state" "hand_in_state" DEFAULT 'checking' NOT NULL,
	"inspection" jsonb,
	"solid_hash" text,
	"problem" text,
	"comment" text,
	"decided_by" text,
	"decided_at" timestamp with time zone,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "hand_ins_project_id_number_unique" UNIQUE("project_id","number")
);
--> statement-breakpoint
CREATE TABLE "pictures" (
	"hash" text PRIMARY KEY NOT NULL,
	"png" "bytea" NOT NULL
);
--> statement-breakpoint
CREATE TABLE "projects" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"brief_id" uuid NOT NULL,
	"student_id" text NOT NULL,
	"name" text NOT NULL,
	"recipe" json NOT NULL,
	"revision" integer DEFAULT 0 NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "projects_brief_id_student_id_unique" UNIQUE("brief_id","student_id")
);
--> statement-breakpoint
CREATE TABLE "solids" (
	"hash" text PRIMARY KEY NOT NULL,
	"three_mf" "bytea" NOT NULL,
	"stl" "bytea" NOT NULL,
	"stl_hash" text NOT NULL,
	"estimate" jsonb NOT NULL
);
--> statement-breakpoint
ALTER TABLE "accounts" ADD CONSTRAINT "accounts_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "class_members" ADD CONSTRAINT "class_members_class_id_classes_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."classes"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "class_members" ADD CONSTRAINT "class_members_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "classes" ADD CONSTRAINT "classes_teacher_id_users_id_fk" FOREIGN KEY ("teacher_id") REFERENCES "public"."users"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "classes" ADD CONSTRAINT "classes_limits_card_id_limits_cards_id_fk" FOREIGN KEY ("limits_card_id") REFERENCES "public"."limits_cards"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sessions" ADD CONSTRAINT "sessions_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "print_files" ADD CONSTRAINT "print_files_hand_in_id_hand_ins_id_fk" FOREIGN KEY ("hand_in_id") REFERENCES "public"."hand_ins"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "queue_entries" ADD CONSTRAINT "queue_entries_print_file_id_print_files_id_fk" FOREIGN KEY ("print_file_id") REFERENCES "public"."print_files"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "runs" ADD CONSTRAINT "runs_printer_id_printers_id_fk" FOREIGN KEY ("printer_id") REFERENCES "public"."printers"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "runs" ADD CONSTRAINT "runs_queue_entry_id_queue_entries_id_fk" FOREIGN KEY ("queue_entry_id") REFERENCES "public"."queue_entries"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "runs" ADD CONSTRAINT "runs_started_by_users_id_fk" FOREIGN KEY ("started_by") REFERENCES "public"."users"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "briefs" ADD CONSTRAINT "briefs_class_id_classes_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."classes"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD CONSTRAINT "hand_ins_project_id_projects_id_fk" FOREIGN KEY ("project_id") REFERENCES "public"."projects"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD CONSTRAINT "hand_ins_solid_hash_solids_hash_fk" FOREIGN KEY ("solid_hash") REFERENCES "public"."solids"("hash") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD CONSTRAINT "hand_ins_decided_by_users_id_fk" FOREIGN KEY ("decided_by") REFERENCES "public"."users"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "projects" ADD CONSTRAINT "projects_brief_id_briefs_id_fk" FOREIGN KEY ("brief_id") REFERENCES "public"."briefs"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "projects" ADD CONSTRAINT "projects_student_id_users_id_fk" FOREIGN KEY ("student_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "accounts_user_id_index" ON "accounts" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "class_members_user_id_index" ON "class_members" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "sessions_user_id_index" ON "sessions" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "queue_entries_state_index" ON "queue_entries" USING btree ("state");--> statement-breakpoint
CREATE UNIQUE INDEX "one_run_a_printer" ON "runs" USING btree ("printer_id") WHERE "runs"."state" in ('preparing', 'sending', 'printing');--> statement-breakpoint
CREATE UNIQUE INDEX "one_run_an_entry" ON "runs" USING btree ("queue_entry_id") WHERE "runs"."state" in ('preparing', 'sending', 'printing');--> statement-breakpoint
CREATE INDEX "hand_ins_state_index" ON "hand_ins" USING btree ("state");