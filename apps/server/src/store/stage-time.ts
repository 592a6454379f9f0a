import { Column, Entity, Index, PrimaryColumn } from 'typeorm';
import type { Family } from '@gold-peg/craft/strings';
import type { Stage } from '@gold-peg/craft/worksheet';

/** Projection of the log: what a stage of a finished job took a person. */
@Entity('stage_time')
@Index('stage_time_by_person', ['personId', 'at'])
@Index('stage_time_by_family', ['family', 'at'])
export class StageTimeRow {
  @PrimaryColumn('uuid', { name: 'job_id' }) jobId!: string;
  @PrimaryColumn('uuid', { name: 'person_id' }) personId!: string;
  @PrimaryColumn('varchar', { length: 16 }) stage!: Stage;
  @Column('varchar', { length: 16 }) family!: Family;
  @Column('smallint', { name: 'string_count' }) stringCount!: number;
  @Column('double precision') minutes!: number;
  @Column('timestamptz') at!: Date;
}
