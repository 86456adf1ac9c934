ALTER TABLE "readings" ADD COLUMN "jar" integer;--> statement-breakpoint
-- What is needed carries its day from now on: worked out anew when the program starts.
UPDATE "batches" SET "needs" = '[]';
