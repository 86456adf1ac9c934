ALTER TABLE "bottlings" ADD COLUMN "state" text;--> statement-breakpoint
UPDATE "bottlings" SET "state" = 'live' WHERE "live";