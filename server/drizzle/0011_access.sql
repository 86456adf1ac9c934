CREATE TABLE "access" (
	"id" text PRIMARY KEY NOT NULL,
	"hash" text NOT NULL,
	"secret" text NOT NULL
);
