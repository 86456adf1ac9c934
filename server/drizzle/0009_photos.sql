CREATE TABLE "photos" (
	"id" text PRIMARY KEY NOT NULL,
	"batch_id" text NOT NULL,
	"jpeg" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "bubbles" double precision;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "cover_mm" double precision;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "photo" text;--> statement-breakpoint
ALTER TABLE "photos" ADD CONSTRAINT "photos_batch_id_batches_id_fk" FOREIGN KEY ("batch_id") REFERENCES "batches"("id") ON DELETE no action ON UPDATE no action;