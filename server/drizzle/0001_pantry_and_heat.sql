CREATE TABLE "heat_events" (
	"id" serial PRIMARY KEY NOT NULL,
	"on" text NOT NULL,
	"event" json NOT NULL,
	"batch_id" text,
	"sure" boolean DEFAULT false NOT NULL,
	"withdrawn" boolean DEFAULT false NOT NULL
);
--> statement-breakpoint
CREATE TABLE "own_rows" (
	"id" text PRIMARY KEY NOT NULL,
	"kind" text NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"value" json NOT NULL,
	"archived" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "larder_lots" ADD COLUMN "pack_g" double precision;--> statement-breakpoint
ALTER TABLE "larder_lots" ADD COLUMN "pack_price" double precision;--> statement-breakpoint
ALTER TABLE "larder_lots" ADD COLUMN "opened_on" text;--> statement-breakpoint
ALTER TABLE "larder_lots" ADD COLUMN "own_ph" double precision;--> statement-breakpoint
ALTER TABLE "larder_lots" ADD COLUMN "use_first" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "pod_lots" ADD COLUMN "ripeness" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "pod_lots" ADD COLUMN "price_per_kg" double precision;--> statement-breakpoint
ALTER TABLE "pod_lots" ADD COLUMN "made_from" text;