CREATE TABLE "log" (
	"id" serial PRIMARY KEY NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	"maker" text DEFAULT nullif(current_setting('roskel.maker', true), ''),
	"topic" text NOT NULL,
	"item_id" text NOT NULL,
	"name" text NOT NULL,
	"did" text NOT NULL,
	"path" text DEFAULT '' NOT NULL,
	"detail" json NOT NULL
);
--> statement-breakpoint
ALTER TABLE "shelf_moves" ADD COLUMN "maker" text DEFAULT nullif(current_setting('roskel.maker', true), '');--> statement-breakpoint
ALTER TABLE "stock_moves" ADD COLUMN "maker" text DEFAULT nullif(current_setting('roskel.maker', true), '');--> statement-breakpoint
CREATE INDEX "log_item" ON "log" USING btree ("topic","item_id","id");