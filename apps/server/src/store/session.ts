import { Column, Entity, Index, PrimaryColumn } from 'typeorm';

/** Sessions, in the shape that connect-pg-simple reads and writes. */
@Entity('session')
@Index('session_by_person', { synchronize: false }) // of whose it is, inside `sess`, which an entity cannot say
export class SessionRow {
  @PrimaryColumn('varchar') sid!: string;
  @Column('json') sess!: object;
  @Index('session_by_expiry')
  @Column('timestamp', { precision: 6 })
  expire!: Date;
}

/** How often somebody tried to sign in: kept here, so that several servers count together. */
@Entity('sign_in_try')
export class SignInTryRow {
  @PrimaryColumn('varchar', { length: 200 }) key!: string;
  @Column('integer') hits!: number;
  @Column('timestamptz', { name: 'resets_at' }) resetsAt!: Date;
}
