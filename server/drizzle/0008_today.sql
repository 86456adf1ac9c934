ALTER TABLE "batches" ADD COLUMN "today" json;--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "signs" json;