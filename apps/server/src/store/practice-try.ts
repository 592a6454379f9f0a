import { Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { TryDraft } from '@gold-peg/contract/practice';
import { PersonRow } from './person.js';
import { PracticeSheetRow } from './practice-sheet.js';

/** An exercise that somebody answered: enough to make it again, and what came of it. */
@Entity('practice_try')
@Index('practice_try_by_person', ['personId', 'at'])
export class PracticeTryRow {
  @PrimaryColumn('uuid') id!: string;
  @ForeignKey(() => PersonRow, { name: 'practice_try_of_person' }) @Column('uuid', { name: 'person_id' }) personId!: string;
  @Column('varchar', { length: 20 }) skill!: TryDraft['skill'];
  @Column('timestamptz') at!: Date;
  @Column('integer') seed!: number;
  @Column('smallint') level!: number;
  @Column('jsonb') answer!: TryDraft['answer'];
  @Column('double precision') off!: number;
  @Column('boolean') good!: boolean;
  /** The sheet that asked for it. */
  @ForeignKey(() => PracticeSheetRow, { name: 'practice_try_of_sheet' })
  @Index('practice_try_by_sheet')
  @Column('uuid', { name: 'sheet_id', nullable: true })
  sheetId!: string | null;
}
