import { Column, Entity, ForeignKey, PrimaryColumn } from 'typeorm';
import type { ExerciseSheetDraft } from '@gold-peg/contract/practice';
import { PersonRow } from './person.js';

/** An exercise sheet that an owner gave to people. */
@Entity('practice_sheet')
export class PracticeSheetRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('varchar', { length: 60 }) title!: string;
  @ForeignKey(() => PersonRow, { name: 'practice_sheet_of_person' }) @Column('uuid', { name: 'made_by_id' }) madeById!: string;
  @Column('timestamptz', { name: 'made_at' }) madeAt!: Date;
  /** When it was taken back; null while people are asked for it. */
  @Column('timestamptz', { name: 'taken_back_at', nullable: true }) takenBackAt!: Date | null;
  @Column('jsonb', { name: 'for_ids' }) forIds!: ExerciseSheetDraft['forIds'];
  @Column('jsonb') skills!: ExerciseSheetDraft['skills'];
  @Column('jsonb') kinds!: ExerciseSheetDraft['kinds'];
  @Column('smallint') level!: number;
  @Column('smallint') each!: number;
  @Column('double precision') within!: number;
}
