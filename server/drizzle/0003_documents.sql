ALTER TABLE "batches" ADD COLUMN "document" json;--> statement-breakpoint
ALTER TABLE "batches" ADD COLUMN "summary" json;--> statement-breakpoint
ALTER TABLE "batches" ADD COLUMN "needs" json;--> statement-breakpoint
ALTER TABLE "batches" ADD COLUMN "summed_on" text;--> statement-breakpoint
-- A batch becomes one document. Readings stay rows of their own.
UPDATE "batches" b SET "document" = CASE
  WHEN b.seed IS NULL THEN json_build_object(
    'format', 'roskel-batch', 'version', 1, 'name', b.name, 'style', b.style, 'startDate', b.start_date,
    'goal', b.goal,
    'stations', coalesce((select json_agg(json_build_object('id', s.id, 'kind', s.kind, 'params', s.params, 'log', s.log) order by s.position)
      from stations s where s.batch_id = b.id), '[]'::json),
    'dutiesDone', coalesce((select json_agg(d.key order by d.key) from duties_done d where d.batch_id = b.id), '[]'::json),
    'lots', b.lots, 'ingredients', b.ingredients)
  ELSE json_build_object(
    'format', 'roskel-batch', 'version', 1, 'name', b.name, 'style', b.style, 'startDate', b.start_date, 'seed', b.seed,
    'goal', b.goal,
    'stations', coalesce((select json_agg(json_build_object('id', s.id, 'kind', s.kind, 'params', s.params, 'log', s.log) order by s.position)
      from stations s where s.batch_id = b.id), '[]'::json),
    'dutiesDone', coalesce((select json_agg(d.key order by d.key) from duties_done d where d.batch_id = b.id), '[]'::json),
    'lots', b.lots, 'ingredients', b.ingredients)
END;--> statement-breakpoint
-- Heat of bottles by each way of counting; how the other one counts them is worked out when the kitchen opens.
UPDATE "bottlings" SET "heat" = json_build_object('dry', "heat");
