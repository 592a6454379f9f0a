import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn } from 'typeorm';
import type { MessageWay } from '@gold-peg/contract/outbox';
import { PersonRow } from './person.js';
import { InstrumentRow } from './register.js';

/** What was said to an owner. Rows are only ever added. */
@Entity('message')
@Index('message_by_instrument', ['instrumentId', 'sentAt'])
@Index('message_by_time', ['sentAt'])
@Check('message_way', `"way" IN ('mail', 'text')`)
export class MessageRow {
  @PrimaryColumn('uuid') id!: string;
  @ForeignKey(() => InstrumentRow, { name: 'message_of_instrument' }) @Column('uuid', { name: 'instrument_id' }) instrumentId!: string;
  @ForeignKey(() => PersonRow, { name: 'message_of_person' }) @Column('uuid', { name: 'person_id' }) personId!: string;
  @Column('varchar', { length: 8 }) way!: MessageWay;
  @Column('varchar', { length: 80 }) recipient!: string;
  @Column('varchar', { length: 200 }) address!: string;
  @Column('text') text!: string;
  @Column('timestamptz', { name: 'sent_at' }) sentAt!: Date;
  @Column('varchar', { length: 120 }) file!: string;
}
