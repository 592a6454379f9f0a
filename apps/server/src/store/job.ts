import { Check, Column, Entity, Index, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import type { Stage } from '@gold-peg/craft/stages';
import { InstrumentRow } from './register.js';

@Entity('job')
@Index('job_open_of_instrument', ['instrumentId'], { unique: true, where: `"state" <> 'handed-over'` })
@Check('job_chance', `"promised_chance" BETWEEN 0 AND 1 AND "planned_chance" BETWEEN 0 AND 1`)
@Check('job_state', `"state" IN ('waiting', 'on-bench', 'handed-over')`)
export class JobRow {
  @PrimaryColumn('uuid') id!: string;
  @Index('job_by_instrument')
  @Column('uuid', { name: 'instrument_id' })
  instrumentId!: string;
  @ManyToOne(() => InstrumentRow)
  @JoinColumn({ name: 'instrument_id' })
  instrument!: Relation<InstrumentRow>;
  @Column('varchar', { length: 500 }) reason!: string;
  @Column('timestamptz', { name: 'taken_in_at' }) takenInAt!: Date;
  @Index('job_by_promise')
  @Column('timestamptz', { name: 'promised_at', nullable: true })
  promisedAt!: Date | null;
  /** The chance that was stated when it was promised; null where none was. */
  @Column('double precision', { name: 'promised_chance', nullable: true }) promisedChance!: number | null;
  /** What the plan held it for before that was corrected by what was kept: from this is learned. */
  @Column('double precision', { name: 'planned_chance', nullable: true }) plannedChance!: number | null;
  /** Another hour was agreed on since. */
  @Column('boolean', { name: 'promise_moved', default: false }) promiseMoved!: boolean;
  /** The three below are projections of the log. */
  @Index('job_by_state')
  @Column('varchar', { length: 16 })
  state!: 'waiting' | 'on-bench' | 'handed-over';
  @Column('varchar', { length: 16 }) stage!: Stage;
  @Column('varchar', { length: 80, name: 'set_name', nullable: true }) setName!: string | null;
}
