UPDATE "batches" SET "summed_on" = NULL;
