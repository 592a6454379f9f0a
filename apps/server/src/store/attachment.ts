import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { AttachmentType } from '@gold-peg/contract/attachments';
import { PersonRow } from './person.js';
import { InstrumentRow } from './register.js';

/** A photo or a scan of an instrument. Its bytes are kept as they came, and only ever sent back. */
@Entity('attachment')
@Index('attachment_by_instrument', ['instrumentId', 'addedAt'])
@Check('attachment_type', `"type" IN ('image/jpeg', 'image/png', 'image/webp', 'application/pdf')`)
export class AttachmentRow {
  @PrimaryColumn('uuid') id!: string;
  @ForeignKey(() => InstrumentRow, { name: 'attachment_of_instrument' }) @Column('uuid', { name: 'instrument_id' }) instrumentId!: string;
  @ForeignKey(() => PersonRow, { name: 'attachment_of_person' }) @Column('uuid', { name: 'person_id' }) personId!: string;
  @Column('varchar', { length: 120 }) name!: string;
  @Column('varchar', { length: 200 }) caption!: string;
  @Column('varchar', { length: 20 }) type!: AttachmentType;
  @Column('timestamptz', { name: 'added_at' }) addedAt!: Date;
  @Column('bytea', { select: false }) content!: Buffer;
}
