import { randomBytes } from 'node:crypto';
import { Column, Entity, PrimaryColumn, type DataSource } from 'typeorm';

/** What all servers of a house must know alike and nobody else. */
@Entity('secret')
export class SecretRow {
  @PrimaryColumn('varchar', { length: 40 }) name!: string;
  @Column('text') value!: string;
}

/** The secret of that name, made by whichever server asks first. */
export async function sharedSecret(store: DataSource, name: string): Promise<string> {
  await store
    .createQueryBuilder()
    .insert()
    .into(SecretRow)
    .values({ name, value: randomBytes(32).toString('hex') })
    .orIgnore()
    .execute();
  return (await store.getRepository(SecretRow).findOneByOrFail({ name })).value;
}
