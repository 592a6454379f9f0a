import {
  Check,
  Column,
  Entity,
  ForeignKey,
  Generated,
  Index,
  JoinColumn,
  ManyToOne,
  OneToMany,
  PrimaryColumn,
  type Relation,
} from 'typeorm';
import type { Geometry, PastSetup } from '@gold-peg/contract/register';
import type { MethodChoices } from '@gold-peg/craft/methods';
import type { Construction } from '@gold-peg/craft/string-kinds';
import { JobRow } from './job.js';

@Entity('owner')
@Index('owner_by_name', { synchronize: false })
@Index('owner_by_search', { synchronize: false })
export class OwnerRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('varchar', { length: 80 }) name!: string;
  @Column('varchar', { length: 200 }) contact!: string;
  @Column('integer') version!: number;
  @OneToMany(() => InstrumentRow, (instrument) => instrument.owner) instruments!: Relation<InstrumentRow[]>;
}

@Entity('instrument')
@Index('instrument_by_search', { synchronize: false })
@Index('instrument_by_passport', { synchronize: false })
@Index('instrument_by_name', { synchronize: false })
@Index('instrument_by_owner_name', { synchronize: false })
@Index('instrument_by_fitted_at', ['fittedAt', 'passport'])
@Index('instrument_by_due_at', ['dueAt', 'passport'])
@Check('instrument_hours', `"weekly_hours" BETWEEN 0 AND 100 AND ("weekly_hours" IS NULL) = ("hours_asked_at" IS NULL)`)
export class InstrumentRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('integer', { unique: true }) @Generated('increment') passport!: number;
  @Column('varchar', { length: 80 }) name!: string;
  @Column('varchar', { length: 200 }) facts!: string;
  @Column('varchar', { length: 60, name: 'archetype_id' }) archetypeId!: string;
  @Index('instrument_by_owner')
  @Column('uuid', { name: 'owner_id', nullable: true })
  ownerId!: string | null;
  @ManyToOne(() => OwnerRow, (owner) => owner.instruments, { nullable: true })
  @JoinColumn({ name: 'owner_id' })
  owner!: Relation<OwnerRow> | null;
  @Column('jsonb') geometry!: Geometry;
  @Column('jsonb', { default: {} }) methods!: MethodChoices;
  @Column('text') remark!: string;
  /** What it is found by: passport, name, kind and owner in small letters; written by the database alone. */
  @Column({ type: 'text', default: '', select: false, insert: false, update: false }) search!: string;
  /** Its owner's name, or none; written by the database alone, to put the register in its order. */
  @Column({ type: 'text', name: 'owner_name', default: '', select: false, insert: false, update: false }) ownerName!: string;
  /** When its latest setup was fitted; written by the database alone. */
  @Column({ type: 'timestamptz', name: 'fitted_at', default: '-infinity', select: false, insert: false, update: false }) fittedAt!: Date;
  /** Played in a week, h, and when its player said so; null where nobody asked. */
  @Column('double precision', { name: 'weekly_hours', nullable: true }) weeklyHours!: number | null;
  @Column('timestamptz', { name: 'hours_asked_at', nullable: true }) hoursAskedAt!: Date | null;
  /** When its strings are likely worn; infinity where nothing is known of them. */
  @Column({ type: 'timestamptz', name: 'due_at', default: 'infinity', select: false }) dueAt!: Date | 'infinity';
  /** When it left the register; null while it is in it. */
  @Column('timestamptz', { name: 'archived_at', nullable: true }) archivedAt!: Date | null;
  @Column('integer') version!: number;
}

/** Projection of the log: what a finished job left on an instrument. */
@Entity('setup')
@Index('setup_by_instrument', ['instrumentId', 'fittedAt'])
export class SetupRow {
  @ForeignKey(() => JobRow, { name: 'setup_of_job' }) @PrimaryColumn('uuid', { name: 'job_id' }) jobId!: string;
  @ForeignKey(() => InstrumentRow, { name: 'setup_of_instrument' }) @Column('uuid', { name: 'instrument_id' }) instrumentId!: string;
  @Column('timestamptz', { name: 'fitted_at' }) fittedAt!: Date;
  @Column('jsonb') setup!: PastSetup;
}

/** Projection of the log: the strings an instrument carries now. */
@Entity('current_string')
@Check('current_string_range', `"string" BETWEEN 1 AND 24 AND "gauge_mm" > 0`)
export class CurrentStringRow {
  @ForeignKey(() => InstrumentRow, { name: 'current_string_of_instrument' })
  @PrimaryColumn('uuid', { name: 'instrument_id' })
  instrumentId!: string;
  @PrimaryColumn('smallint') string!: number;
  @ForeignKey(() => JobRow, { name: 'current_string_of_job' }) @Column('uuid', { name: 'job_id' }) jobId!: string;
  @Column('varchar', { length: 16 }) construction!: Construction;
  @Column('double precision', { name: 'gauge_mm' }) gaugeMm!: number;
  @Column('varchar', { length: 32, nullable: true }) wrap!: string | null;
}
