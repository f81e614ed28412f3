CREATE TABLE "school" (
	"id" integer PRIMARY KEY DEFAULT 1 NOT NULL,
	"day" jsonb NOT NULL
);
