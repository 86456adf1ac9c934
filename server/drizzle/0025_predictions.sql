CREATE TABLE "predictions" (
	"batch_id" text NOT NULL,
	"key" text NOT NULL,
	"of" text NOT NULL,
	"station_id" text NOT NULL,
	"on" text NOT NULL,
	"p10" double precision NOT NULL,
	"p50" double precision NOT NULL,
	"p90" double precision NOT NULL,
	"measured" double precision NOT NULL,
	"afterwards" boolean NOT NULL,
	CONSTRAINT "predictions_batch_id_key_pk" PRIMARY KEY("batch_id","key")
);
--> statement-breakpoint
ALTER TABLE "predictions" ADD CONSTRAINT "predictions_batch_id_batches_id_fk" FOREIGN KEY ("batch_id") REFERENCES "batches"("id") ON DELETE cascade ON UPDATE no action;