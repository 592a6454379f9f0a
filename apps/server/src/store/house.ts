import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { CountedPayload } from '@gold-peg/craft/worksheet';
import type { MethodChoices } from '@gold-peg/craft/methods';
import { JobRow } from './job.js';
import { PersonRow } from './person.js';
import { InstrumentRow } from './register.js';

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
@Index('turns_counted_by_instrument_and_time', ['instrumentId', 'at'])
@Index('turns_counted_by_person_and_time', ['personId', 'at'])
@Check('turns_counted_range', `"string" BETWEEN 1 AND 24`)
export class TurnsCountedRow {
  @ForeignKey(() => JobRow, { name: 'turns_counted_of_job' }) @PrimaryColumn('uuid', { name: 'job_id' }) jobId!: string;
  @PrimaryColumn('smallint') string!: number;
  @ForeignKey(() => InstrumentRow, { name: 'turns_counted_of_instrument' })
  @Column('uuid', { name: 'instrument_id' })
  instrumentId!: string;
  @ForeignKey(() => PersonRow, { name: 'turns_counted_of_person' }) @Column('uuid', { name: 'person_id' }) personId!: string;
  @Column('timestamptz') at!: Date;
  @Column('jsonb') counted!: CountedPayload;
}
