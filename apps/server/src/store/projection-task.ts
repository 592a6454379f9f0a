import { Column, Entity, PrimaryColumn } from 'typeorm';

/** There is one row while projections are to be made again from the log, and none otherwise. */
@Entity('projection_task')
export class ProjectionTaskRow {
  @PrimaryColumn('smallint') id!: number;
  @Column('timestamptz', { name: 'asked_at', default: () => 'now()' }) askedAt!: Date;
  /** The last job that was folded, in the order of ids; null before the first. */
  @Column('uuid', { name: 'done_to', nullable: true }) doneTo!: string | null;
}
export const THE_TASK = 1;
