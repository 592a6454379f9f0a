import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { OrderLine, StockKind } from '@gold-peg/contract/stock';
import type { StockUse } from '@gold-peg/craft/worksheet';
import type { ScrapReason } from '@gold-peg/craft/stages';
import { JobRow } from './job.js';

/** What is kept on the shelf, and when more is ordered. */
@Entity('stock_item')
@Check('stock_item_range', `"kind" IN ('set', 'string') AND "reorder_at" >= 0 AND "reorder_to" >= "reorder_at"`)
export class StockItemRow {
  @PrimaryColumn('varchar', { length: 8 }) kind!: StockKind;
  @PrimaryColumn('varchar', { length: 100, name: 'item_id' }) itemId!: string;
  @Column('integer', { name: 'reorder_at' }) reorderAt!: number;
  @Column('integer', { name: 'reorder_to' }) reorderTo!: number;
  @Column('varchar', { length: 60 }) shelf!: string;
}

/** Counts and deliveries. Rows are only ever added; a count starts anew from what was seen. */
@Entity('stock_movement')
@Index('stock_movement_by_item', ['kind', 'itemId', 'at'])
@Index('stock_movement_by_time', ['at'])
@Check('stock_movement_kind', `"kind" IN ('set', 'string') AND "what" IN ('counted', 'delivered') AND "amount" >= 0`)
export class StockMovementRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('varchar', { length: 8 }) kind!: StockKind;
  @Column('varchar', { length: 100, name: 'item_id' }) itemId!: string;
  @Column('varchar', { length: 16 }) what!: 'counted' | 'delivered';
  @Column('integer') amount!: number;
  @Column('timestamptz') at!: Date;
}

/** Projection of the log: what jobs reserve, use and lose. */
@Entity('stock_use')
@Index('stock_use_by_job', ['jobId'])
@Index('stock_use_by_item', ['kind', 'itemId', 'state', 'at'])
@Index('stock_use_by_time', ['at'])
@Index('stock_use_kept', ['kind', 'itemId'], { where: `"state" = 'kept'` })
@Check('stock_use_kind', `"kind" IN ('set', 'string') AND "state" IN ('reserved', 'used', 'scrapped', 'kept')`)
export class StockUseRow {
  @PrimaryColumn('uuid') id!: string;
  @ForeignKey(() => JobRow, { name: 'stock_use_of_job' }) @Column('uuid', { name: 'job_id' }) jobId!: string;
  @Column('varchar', { length: 8 }) kind!: StockKind;
  @Column('varchar', { length: 100, name: 'item_id' }) itemId!: string;
  @Column('varchar', { length: 16 }) state!: StockUse['state'];
  @Column('smallint', { nullable: true }) string!: number | null;
  @Column('varchar', { length: 32, nullable: true }) why!: ScrapReason | null;
  @Column('timestamptz') at!: Date;
}

@Entity('supply_order')
export class SupplyOrderRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('varchar', { length: 80 }) supplier!: string;
  @Column('varchar', { length: 80 }) reference!: string;
  @Column('timestamptz', { name: 'placed_at' }) placedAt!: Date;
  @Column('timestamptz', { name: 'promised_at' }) promisedAt!: Date;
  @Column('timestamptz', { name: 'delivered_at', nullable: true }) deliveredAt!: Date | null;
  @Column('jsonb') lines!: OrderLine[];
}
