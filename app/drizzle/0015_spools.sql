CREATE TABLE "spools" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"number" serial NOT NULL,
	"material" text NOT NULL,
	"colour" text NOT NULL,
	"colour_name" text NOT NULL,
	"grams_left" real NOT NULL,
	"weighed_at" timestamp with time zone,
	"added_at" timestamp with time zone DEFAULT now() NOT NULL,
	"gone_at" timestamp with time zone,
	CONSTRAINT "spools_number_unique" UNIQUE("number")
);
--> statement-breakpoint
ALTER TABLE "printers" ADD COLUMN "spool_id" uuid;--> statement-breakpoint
ALTER TABLE "runs" ADD COLUMN "spool_id" uuid;--> statement-breakpoint
ALTER TABLE "printers" ADD CONSTRAINT "printers_spool_id_spools_id_fk" FOREIGN KEY ("spool_id") REFERENCES "public"."spools"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "runs" ADD CONSTRAINT "runs_spool_id_spools_id_fk" FOREIGN KEY ("spool_id") REFERENCES "public"."spools"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "printers" ADD CONSTRAINT "printers_spool_id_unique" UNIQUE("spool_id");--> statement-breakpoint
-- What was on each printer becomes a roll, taken to be full until it is weighed.
INSERT INTO "spools" ("id", "material", "colour", "colour_name", "grams_left")
SELECT "id", "material", "colour", "colour_name", 1000 FROM "printers";--> statement-breakpoint
UPDATE "printers" SET "spool_id" = "id";
