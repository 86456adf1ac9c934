CREATE TABLE "identity" (
	"id" text PRIMARY KEY NOT NULL
);
--> statement-breakpoint
INSERT INTO "identity" ("id") VALUES (gen_random_uuid()::text);
