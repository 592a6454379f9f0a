import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { DayPlace, HouseHours } from '@gold-peg/contract/day';

/** The bench day of the house: its hours, what is pinned, and the plan in force. There is one row at most. */
@Entity('day')
export class DayRow {
  @PrimaryColumn('smallint') id!: number;
  @Column('jsonb', { nullable: true }) hours!: HouseHours | null;
  @Column('jsonb') pinned!: DayPlace[];
  @Column('jsonb', { name: 'in_force' }) inForce!: DayPlace[];
  @Column('integer') version!: number;
}
