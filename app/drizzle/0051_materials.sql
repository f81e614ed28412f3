CREATE TABLE "materials" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"name" text NOT NULL,
	"needs" jsonb NOT NULL,
	"price_per_kg" real,
	"drying" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX "one_of_a_name" ON "materials" USING btree (lower("name"));