import { Check, Column, Entity, Index, PrimaryColumn } from 'typeorm';
import type { Preferences, Role, Standing } from '@gold-peg/contract/people';

@Entity('person')
@Index('person_by_name', { synchronize: false }) // of lower(name), which an entity cannot say
@Check('person_role', `"role" IN ('owner', 'technician', 'counter')`)
@Check('person_standing', `"standing" IN ('works', 'locked', 'left')`)
export class PersonRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('varchar', { length: 80 }) name!: string;
  @Column('varchar', { length: 16 }) role!: Role;
  @Column('text', { name: 'passphrase_hash' }) passphraseHash!: string;
  /** Of the short code for devices of the bench. */
  @Column('text', { name: 'code_hash', nullable: true }) codeHash!: string | null;
  @Column('varchar', { length: 8, default: 'works' }) standing!: Standing;
  @Column('jsonb') preferences!: Preferences;
  @Column('integer', { default: 1 }) version!: number;
}
