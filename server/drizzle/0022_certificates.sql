CREATE TABLE "certificates" (
	"id" text PRIMARY KEY NOT NULL,
	"authority" text NOT NULL,
	"authority_key" text NOT NULL,
	"cert" text NOT NULL,
	"key" text NOT NULL
);
