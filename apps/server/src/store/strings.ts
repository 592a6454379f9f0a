import { Column, Entity, JoinColumn, ManyToOne, PrimaryColumn, type Relation } from 'typeorm';
import type { Wrap } from '@gold-peg/craft/constants';
import type { Coating, Mark, StringEnd } from '@gold-peg/craft/strings';
import type { Construction, CoreShape, Family, Finish } from '@gold-peg/craft/string-kinds';

@Entity('string_line')
export class StringLineRow {
  @PrimaryColumn('varchar', { length: 100 }) id!: string;
  @Column('varchar', { length: 80 }) name!: string;
  @Column('varchar', { length: 16 }) family!: Family;
}

/** The strings table. What somebody weighed stands beside what the packet says. */
@Entity('string')
export class StringEntryRow {
  @PrimaryColumn('varchar', { length: 100 }) id!: string;
  @Column('varchar', { length: 100, name: 'line_id' }) lineId!: string;
  @ManyToOne(() => StringLineRow)
  @JoinColumn({ name: 'line_id' })
  line!: Relation<StringLineRow>;
  @Column('varchar', { length: 16 }) family!: Family;
  @Column('varchar', { length: 16 }) construction!: Construction;
  @Column('double precision', { name: 'gauge_mm' }) gaugeMm!: number;
  @Column('varchar', { length: 32, nullable: true }) wrap!: Wrap | null;
  @Column('varchar', { length: 16, nullable: true }) finish!: Finish | null;
  @Column('smallint', { nullable: true }) layers!: number | null;
  @Column('boolean') silk!: boolean;
  @Column('varchar', { length: 16, name: 'core_shape', nullable: true }) coreShape!: CoreShape | null;
  @Column('double precision', { name: 'core_mm', nullable: true }) coreMm!: number | null;
  @Column('varchar', { length: 16, name: 'string_end' }) end!: StringEnd;
  @Column('varchar', { length: 16 }) coating!: Coating;
  @Column('varchar', { length: 16, nullable: true }) mark!: Mark | null;
  @Column('double precision', { name: 'weighed_mass_g', nullable: true }) weighedMassG!: number | null;
  @Column('double precision', { name: 'weighed_length_mm', nullable: true }) weighedLengthMm!: number | null;
  @Column('integer') version!: number;
}

@Entity('string_set')
export class StringSetRow {
  @PrimaryColumn('varchar', { length: 100 }) id!: string;
  @Column('varchar', { length: 100, name: 'line_id', nullable: true }) lineId!: string | null;
  @ManyToOne(() => StringLineRow, { nullable: true })
  @JoinColumn({ name: 'line_id' })
  line!: Relation<StringLineRow> | null;
  @Column('varchar', { length: 80 }) name!: string;
  @Column('varchar', { length: 16 }) family!: Family;
  /** Ids of the strings table, string 1 first. */
  @Column('jsonb', { name: 'string_ids' }) stringIds!: string[];
  @Column('integer') version!: number;
}

@Entity('tuning')
export class TuningEntryRow {
  @PrimaryColumn('varchar', { length: 100 }) id!: string;
  @Column('varchar', { length: 80 }) name!: string;
  @Column('jsonb') families!: Family[];
  @Column('jsonb') notes!: string[];
}
