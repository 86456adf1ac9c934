CREATE TABLE "idempotency_keys" (
	"key" text PRIMARY KEY NOT NULL,
	"path" text NOT NULL,
	"answer" json NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
