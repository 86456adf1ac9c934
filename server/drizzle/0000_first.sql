CREATE TABLE "batches" (
	"id" text PRIMARY KEY NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"name" text NOT NULL,
	"style" text NOT NULL,
	"start_date" text NOT NULL,
	"goal" json NOT NULL,
	"lots" json NOT NULL,
	"ingredients" json NOT NULL,
	"archived" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "bottlings" (
	"id" text PRIMARY KEY NOT NULL,
	"batch_id" text NOT NULL,
	"name" text NOT NULL,
	"bottled_on" text NOT NULL,
	"bottles" integer NOT NULL,
	"bottle_ml" double precision NOT NULL,
	"ph" double precision,
	"ph_measured" boolean NOT NULL,
	"heat" json NOT NULL,
	"hex" text NOT NULL,
	"keeping" text NOT NULL,
	"place" text NOT NULL,
	"use_by" text NOT NULL,
	"live" boolean NOT NULL,
	"archived" boolean DEFAULT false NOT NULL,
	CONSTRAINT "bottlings_batch_id_unique" UNIQUE("batch_id")
);
--> statement-breakpoint
CREATE TABLE "duties_done" (
	"batch_id" text NOT NULL,
	"key" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "duties_done_batch_id_key_pk" PRIMARY KEY("batch_id","key")
);
--> statement-breakpoint
CREATE TABLE "larder_lots" (
	"id" text PRIMARY KEY NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"ingredient_key" text NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"archived" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "pod_lots" (
	"id" text PRIMARY KEY NOT NULL,
	"revision" integer DEFAULT 1 NOT NULL,
	"lot" json NOT NULL,
	"got_on" text,
	"place" text DEFAULT '' NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"use_first" boolean DEFAULT false NOT NULL,
	"archived" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "readings" (
	"batch_id" text NOT NULL,
	"id" text NOT NULL,
	"station_id" text NOT NULL,
	"at" text NOT NULL,
	"ph" double precision,
	"temp_c" double precision,
	"instrument" text NOT NULL,
	"note" text,
	CONSTRAINT "readings_batch_id_id_pk" PRIMARY KEY("batch_id","id")
);
--> statement-breakpoint
CREATE TABLE "settings" (
	"id" text PRIMARY KEY NOT NULL,
	"value" json NOT NULL
);
--> statement-breakpoint
CREATE TABLE "shelf_moves" (
	"id" serial PRIMARY KEY NOT NULL,
	"bottling_id" text NOT NULL,
	"delta" integer NOT NULL,
	"reason" text NOT NULL,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "stations" (
	"batch_id" text NOT NULL,
	"position" integer NOT NULL,
	"id" text NOT NULL,
	"kind" text NOT NULL,
	"params" json NOT NULL,
	"log" json NOT NULL,
	CONSTRAINT "stations_batch_id_position_pk" PRIMARY KEY("batch_id","position")
);
--> statement-breakpoint
CREATE TABLE "stock_moves" (
	"id" serial PRIMARY KEY NOT NULL,
	"store" text NOT NULL,
	"item_id" text NOT NULL,
	"delta_g" double precision NOT NULL,
	"reason" text NOT NULL,
	"words" text DEFAULT '' NOT NULL,
	"batch_id" text,
	"station_id" text,
	"at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "bottlings" ADD CONSTRAINT "bottlings_batch_id_batches_id_fk" FOREIGN KEY ("batch_id") REFERENCES "batches"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "duties_done" ADD CONSTRAINT "duties_done_batch_id_batches_id_fk" FOREIGN KEY ("batch_id") REFERENCES "batches"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_batch_id_batches_id_fk" FOREIGN KEY ("batch_id") REFERENCES "batches"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "shelf_moves" ADD CONSTRAINT "shelf_moves_bottling_id_bottlings_id_fk" FOREIGN KEY ("bottling_id") REFERENCES "bottlings"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "stations" ADD CONSTRAINT "stations_batch_id_batches_id_fk" FOREIGN KEY ("batch_id") REFERENCES "batches"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "stock_moves_item" ON "stock_moves" USING btree ("store","item_id");--> statement-breakpoint
CREATE INDEX "stock_moves_batch" ON "stock_moves" USING btree ("batch_id");