CREATE TABLE "stored_stuff" (
	"id" text PRIMARY KEY NOT NULL,
	"stuff" json NOT NULL,
	"what" json NOT NULL,
	"batch_id" text,
	"archived" boolean DEFAULT false NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "bottlings" DROP CONSTRAINT "bottlings_batch_id_unique";--> statement-breakpoint
ALTER TABLE "bottlings" ADD COLUMN "strand_id" text DEFAULT 'main' NOT NULL;--> statement-breakpoint
ALTER TABLE "bottlings" ALTER COLUMN "strand_id" DROP DEFAULT;--> statement-breakpoint
ALTER TABLE "stored_stuff" ADD CONSTRAINT "stored_stuff_batch_id_batches_id_fk" FOREIGN KEY ("batch_id") REFERENCES "batches"("id") ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "bottlings_end" ON "bottlings" USING btree ("batch_id","strand_id");