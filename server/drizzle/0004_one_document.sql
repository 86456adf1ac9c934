ALTER TABLE "duties_done" DISABLE ROW LEVEL SECURITY;--> statement-breakpoint
ALTER TABLE "stations" DISABLE ROW LEVEL SECURITY;--> statement-breakpoint
DROP TABLE "duties_done" CASCADE;--> statement-breakpoint
DROP TABLE "stations" CASCADE;--> statement-breakpoint
ALTER TABLE "batches" ALTER COLUMN "document" SET NOT NULL;--> statement-breakpoint
ALTER TABLE "batches" DROP COLUMN "style";--> statement-breakpoint
ALTER TABLE "batches" DROP COLUMN "seed";--> statement-breakpoint
ALTER TABLE "batches" DROP COLUMN "goal";--> statement-breakpoint
ALTER TABLE "batches" DROP COLUMN "lots";--> statement-breakpoint
ALTER TABLE "batches" DROP COLUMN "ingredients";