CREATE TABLE "timers" (
	"id" text PRIMARY KEY NOT NULL,
	"timer" json NOT NULL,
	"changed_at" double precision NOT NULL
);
