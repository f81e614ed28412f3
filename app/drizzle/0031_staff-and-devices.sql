CREATE TABLE "entry_links" (
	"token_hash" text PRIMARY KEY NOT NULL,
	"user_id" text,
	"role" "role" NOT NULL,
	"class_id" uuid,
	"created_by" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"expires_at" timestamp with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "known_devices" (
	"device_hash" text NOT NULL,
	"scope" text NOT NULL,
	"used_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "known_devices_device_hash_scope_pk" PRIMARY KEY("device_hash","scope")
);
--> statement-breakpoint
ALTER TABLE "sign_in_attempts" ADD COLUMN "class_id" uuid;--> statement-breakpoint
ALTER TABLE "sign_in_attempts" ADD COLUMN "sign_in_name" text;--> statement-breakpoint
ALTER TABLE "users" ADD COLUMN "disabled_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "entry_links" ADD CONSTRAINT "entry_links_user_id_users_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entry_links" ADD CONSTRAINT "entry_links_class_id_classes_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."classes"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "entry_links" ADD CONSTRAINT "entry_links_created_by_users_id_fk" FOREIGN KEY ("created_by") REFERENCES "public"."users"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "sign_in_attempts" ADD CONSTRAINT "sign_in_attempts_class_id_classes_id_fk" FOREIGN KEY ("class_id") REFERENCES "public"."classes"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "sign_in_attempts_class_id_index" ON "sign_in_attempts" USING btree ("class_id");