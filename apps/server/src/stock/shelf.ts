import type { DataSource } from 'typeorm';
import type { StockItem, StockMove } from '@gold-peg/contract/stock';

/** How far back the shelf tells its story. */
const MOST_MOVES = 200;

/**
 * What lies there: the latest count, and since then what was delivered less what jobs opened or lost. What is reserved lies there still, but is promised. What came
 * out of an opened set lies there, though nobody counted it.
 */
const ITEMS = `
  WITH item AS (
    SELECT kind, item_id, reorder_at, reorder_to, shelf FROM stock_item
    UNION ALL
    SELECT DISTINCT kind, item_id, 0, 0, '' FROM stock_use u
    WHERE state = 'kept' AND NOT EXISTS (SELECT 1 FROM stock_item s WHERE s.kind = u.kind AND s.item_id = u.item_id)
  ), coming AS (
    SELECT line->>'kind' AS kind, line->>'id' AS item_id, sum((line->>'amount')::int)::int AS amount
    FROM supply_order, jsonb_array_elements(lines) AS line WHERE delivered_at IS NULL GROUP BY 1, 2
  )
  SELECT item.kind, item.item_id AS id, item.reorder_at AS "reorderAt", item.reorder_to AS "reorderTo", item.shelf,
    coalesce(counted.amount, 0) + delivered.amount + moved.kept - moved.gone AS "onHand", reserved.amount AS reserved,
    coalesce(coming.amount, 0) AS "onOrder", since.at AS "countedAt"
  FROM item
  LEFT JOIN LATERAL (
    SELECT amount, at FROM stock_movement m WHERE m.kind = item.kind AND m.item_id = item.item_id AND what = 'counted' ORDER BY at DESC, id DESC LIMIT 1
  ) counted ON true
  CROSS JOIN LATERAL (SELECT coalesce(counted.at, to_timestamp(0)) AS at) since
  CROSS JOIN LATERAL (
    SELECT coalesce(sum(amount), 0)::int AS amount FROM stock_movement m
    WHERE m.kind = item.kind AND m.item_id = item.item_id AND what = 'delivered' AND m.at > since.at
  ) delivered
  CROSS JOIN LATERAL (
    SELECT count(*) FILTER (WHERE state = 'kept')::int AS kept, count(*) FILTER (WHERE state <> 'kept')::int AS gone FROM stock_use u
    WHERE u.kind = item.kind AND u.item_id = item.item_id AND state IN ('used', 'scrapped', 'kept') AND u.at > since.at
  ) moved
  CROSS JOIN LATERAL (
    SELECT count(*)::int AS amount FROM stock_use u WHERE u.kind = item.kind AND u.item_id = item.item_id AND state = 'reserved'
  ) reserved
  LEFT JOIN coming ON coming.kind = item.kind AND coming.item_id = item.item_id
  ORDER BY item.kind, item.item_id`;

/** Why a number is what it is, latest first. */
const MOVES = `
  SELECT m.kind, m.item_id AS id, m.what, m.amount, m.at, m.why, m.job_id AS "jobId",
    lpad(i.passport::text, greatest(4, length(i.passport::text)), '0') || ' ' || i.name AS instrument
  FROM (
    (SELECT kind, item_id, what, amount, at, NULL AS why, NULL::uuid AS job_id FROM stock_movement ORDER BY at DESC LIMIT ${MOST_MOVES})
    UNION ALL
    (SELECT kind, item_id, state, 1, at, why, job_id FROM stock_use ORDER BY at DESC LIMIT ${MOST_MOVES})
  ) m
  LEFT JOIN job j ON j.id = m.job_id LEFT JOIN instrument i ON i.id = j.instrument_id
  ORDER BY m.at DESC LIMIT ${MOST_MOVES}`;

/** What lies on the shelf, thing by thing. */
export async function readItems(store: DataSource): Promise<StockItem[]> {
  const items: (StockItem & { countedAt: Date })[] = await store.query(ITEMS);
  return items.map((item) => ({ ...item, countedAt: item.countedAt.toISOString() }));
}

export async function readShelf(store: DataSource): Promise<{ items: StockItem[]; moves: StockMove[] }> {
  const moves: (StockMove & { at: Date })[] = await store.query(MOVES);
  return { items: await readItems(store), moves: moves.map((move) => ({ ...move, at: move.at.toISOString() })) };
}
