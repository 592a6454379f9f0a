import { Column, Entity, Index, PrimaryColumn } from 'typeorm';
import type { CountedPayload } from '@gold-peg/craft/worksheet';
import type { MethodChoices } from '@gold-peg/craft/methods';

/** What the whole house chose. There is one row. */
@Entity('house')
export class HouseRow {
  @PrimaryColumn('smallint') id!: number;
  @Column('jsonb') methods!: MethodChoices;
  @Column('integer') version!: number;
}
export const THE_HOUSE = 1;

/** Projection of the log: turns that were counted on posts. */
@Entity('turns_counted')
@Index('turns_counted_by_instrument', ['instrumentId'])
@Index('turns_counted_by_person', ['personId'])
export class TurnsCountedRow {
  @PrimaryColumn('uuid', { name: 'job_id' }) jobId!: string;
  @PrimaryColumn('smallint') string!: number;
  @Column('uuid', { name: 'instrument_id' }) instrumentId!: string;
  @Column('uuid', { name: 'person_id' }) personId!: string;
  @Column('timestamptz') at!: Date;
  @Column('jsonb') counted!: CountedPayload;
}
