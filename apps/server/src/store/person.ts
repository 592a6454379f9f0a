import { Column, Entity, PrimaryColumn } from 'typeorm';
import type { Preferences, Role } from '@gold-peg/contract/people';

@Entity('person')
export class PersonRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('varchar', { length: 80, unique: true }) name!: string;
  @Column('varchar', { length: 16 }) role!: Role;
  @Column('text', { name: 'passphrase_hash' }) passphraseHash!: string;
  @Column('jsonb') preferences!: Preferences;
}
