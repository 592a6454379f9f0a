import { Check, Column, Entity, ForeignKey, Index, PrimaryColumn, Unique } from 'typeorm';
import type { Copy } from '@gold-peg/contract/copies';
import type { ActKind } from '@gold-peg/contract/people';
import { PersonRow } from './person.js';

/** Who did what beside the bench: kept for good, and never changed. */
@Entity('act')
@Index('act_by_time', ['at', 'id'])
export class ActRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('timestamptz') at!: Date;
  @ForeignKey(() => PersonRow, { name: 'act_of_person' }) @Column('uuid', { name: 'person_id', nullable: true }) personId!: string | null;
  @Column('varchar', { length: 20 }) kind!: ActKind;
  @Column('text') says!: string;
}

/** A device of the bench, known by the secret in its cookie, of which only the hash is kept. */
@Entity('bench_device')
@Unique('bench_device_token', ['tokenHash'])
export class BenchDeviceRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('varchar', { length: 40 }) name!: string;
  @Column('char', { name: 'token_hash', length: 64 }) tokenHash!: string;
  @Column('timestamptz', { name: 'allowed_at' }) allowedAt!: Date;
}

/** A link for a new passphrase, one for each person, known by its hash. */
@Entity('passphrase_link')
@Unique('passphrase_link_token', ['tokenHash'])
export class PassphraseLinkRow {
  @ForeignKey(() => PersonRow, { name: 'passphrase_link_of_person' }) @PrimaryColumn('uuid', { name: 'person_id' }) personId!: string;
  @Column('char', { name: 'token_hash', length: 64 }) tokenHash!: string;
  @Column('timestamptz') until!: Date;
}

/** A copy of the whole house that was made, or was tried. */
@Entity('copy')
@Index('copy_by_time', ['madeAt'])
@Check('copy_state', `"state" IN ('under-way', 'written', 'compared', 'failed')`)
export class CopyRow {
  @PrimaryColumn('uuid') id!: string;
  @Column('timestamptz', { name: 'made_at' }) madeAt!: Date;
  @ForeignKey(() => PersonRow, { name: 'copy_of_person' }) @Column('uuid', { name: 'person_id', nullable: true }) personId!: string | null;
  /** The file in the folder of copies; gone once it is none of those that are kept. */
  @Column('varchar', { length: 80 }) file!: string;
  @Column('varchar', { length: 12 }) state!: Copy['state'];
  @Column('text', { nullable: true }) says!: string | null;
  @Column('double precision', { nullable: true }) bytes!: number | null;
  @Column('integer', { nullable: true }) instruments!: number | null;
  @Column('integer', { nullable: true }) lines!: number | null;
  @Column('double precision', { nullable: true }) seconds!: number | null;
  @Column('timestamptz', { name: 'carried_at', nullable: true }) carriedAt!: Date | null;
}
