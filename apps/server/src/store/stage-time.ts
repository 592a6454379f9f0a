import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { Family } from '@gold-peg/craft/string-kinds';
import type { Stage } from '@gold-peg/craft/stages';
import { JobRow } from './job.js';
import { PersonRow } from './person.js';

/** Projection of the log: what a stage of a finished job took a person. */
@Entity('stage_time')
@Index('stage_time_by_person', ['personId', 'at'])
@Index('stage_time_by_family', ['family', 'at'])
@Check('stage_time_range', `"minutes" > 0 AND "string_count" BETWEEN 1 AND 24`)
export class StageTimeRow {
  @ForeignKey(() => JobRow, { name: 'stage_time_of_job' }) @PrimaryColumn('uuid', { name: 'job_id' }) jobId!: string;
  @ForeignKey(() => PersonRow, { name: 'stage_time_of_person' }) @PrimaryColumn('uuid', { name: 'person_id' }) personId!: string;
  @PrimaryColumn('varchar', { length: 16 }) stage!: Stage;
  @Column('varchar', { length: 16 }) family!: Family;
  @Column('smallint', { name: 'string_count' }) stringCount!: number;
  @Column('double precision') minutes!: number;
  @Column('timestamptz') at!: Date;
}
