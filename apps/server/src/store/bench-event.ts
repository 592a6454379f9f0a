import { Column, Entity, Generated, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import type { BenchEventKind } from '@gold-peg/craft/worksheet';
import { JobRow } from './job.js';
import { PersonRow } from './person.js';

/** The log. Rows are only ever added. */
@Entity('bench_event')
@Index('bench_event_by_job', ['jobId', 'seq'])
@Index('bench_event_by_person', ['personId', 'seq'])
@Index('bench_event_by_kind', ['kind', 'seq'])
@Index('bench_event_by_time', ['storedAt', 'seq'])
export class BenchEventRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('bigint', { unique: true }) @Generated('increment') seq!: string;
  @Column('uuid', { name: 'job_id' }) jobId!: string;
  @ManyToOne(() => JobRow)
  @JoinColumn({ name: 'job_id' })
  job!: Relation<JobRow>;
  @Column('uuid', { name: 'person_id' }) personId!: string;
  @ManyToOne(() => PersonRow)
  @JoinColumn({ name: 'person_id' })
  person!: Relation<PersonRow>;
  @Column('varchar', { length: 32 }) kind!: BenchEventKind;
  /** As it was taken down, in the version of its time: it is read with `readEvent`. */
  @Column('jsonb') event!: object;
  @Column('timestamptz', { name: 'stored_at', default: () => 'now()' }) storedAt!: Date;
}
