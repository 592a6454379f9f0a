import { Check, Column, Entity, Index, PrimaryColumn } from 'typeorm';
import type { Preferences, Role } from '@gold-peg/contract/people';

@Entity('person')
@Index('person_by_name', { synchronize: false }) // of lower(name), which an entity cannot say
@Check('person_role', `"role" IN ('owner', 'technician', 'counter')`)
export class PersonRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('varchar', { length: 80 }) name!: string;
  @Column('varchar', { length: 16 }) role!: Role;
  @Column('text', { name: 'passphrase_hash' }) passphraseHash!: string;
  @Column('jsonb') preferences!: Preferences;
  @Column('integer', { default: 1 }) version!: number;
}
