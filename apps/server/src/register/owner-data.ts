import type { DataSource } from 'typeorm';
import { act } from '../acts/index.js';
import { type Handler, Refusal, refuseField, type StreamHandler } from '../handling/index.js';
import { forgetLetter } from '../outbox/index.js';
import { InstrumentRow, MessageRow, OwnerRow } from '../store/index.js';
import { readPassport } from './instrument.js';

/** All that the house keeps of an owner, as one file for them: who they are, their instruments with what was done to them, and what they were told. */
export const ownerData: StreamHandler<'ownerData'> = async (asked, response) => {
  const { store, params, now } = asked;
  const owner = await oneOwner(store, params.id);
  const instruments = await store.getRepository(InstrumentRow).find({ where: { ownerId: owner.id }, order: { passport: 'ASC' } });
  const data = {
    'gold-peg': 'owner',
    version: 1,
    made: now.toISOString(),
    owner: { name: owner.name, contact: owner.contact },
    instruments: await Promise.all(
      instruments.map(async ({ id }) => ({
        passport: await readPassport(store, id),
        visits: await store.query(
          `SELECT taken_in_at AS "takenInAt", promised_at AS "promisedAt", state, reason FROM job WHERE instrument_id = $1 ORDER BY taken_in_at`,
          [id],
        ),
        photos: await store.query(
          `SELECT name, caption, type, added_at AS "addedAt" FROM attachment WHERE instrument_id = $1 ORDER BY added_at`,
          [id],
        ),
      })),
    ),
    messages: await store.query(
      `SELECT way, recipient, address, text, sent_at AS "sentAt" FROM message WHERE recipient = $1 OR (address = $2 AND $2 <> '') ORDER BY sent_at`,
      [owner.name, owner.contact],
    ),
  };
  await act(asked, 'owner-data', 'all that is kept of an owner, as a file for them');
  response.type('application/json').setHeader('content-disposition', 'attachment; filename="gold-peg-owner.json"');
  response.end(`${JSON.stringify(data, null, 2)}\n`);
};

/**
 * Takes an owner out of the register: name and contact go, also from what they were told. Their instruments and all that was done to them stay, without a name.
 * Answers where somebody wrote their name into a text of their own, which is left to people.
 */
export const removeOwner: Handler<'removeOwner'> = async (asked) => {
  const { store, params, body } = asked;
  const owner = await oneOwner(store, params.id);
  if (body.name !== owner.name) throw refuseField('name', `must be ${owner.name}, as it stands in the register: it cannot be taken back`);
  const done = await store.transaction(async (tx) => {
    const here = (await tx.query(
      `SELECT i.passport FROM job j JOIN instrument i ON i.id = j.instrument_id WHERE i.owner_id = $1 AND j.state <> 'handed-over' ORDER BY 1`,
      [owner.id],
    )) as { passport: number }[];
    if (here.length > 0) throw refuseField('name', `must be of somebody of whom nothing is here: hand over ${passports(here)} first`);
    const { affected: instruments } = await tx
      .getRepository(InstrumentRow)
      .update({ ownerId: owner.id }, { ownerId: null, version: () => 'version + 1' });
    const letters = await tx
      .getRepository(MessageRow)
      .find({ where: [{ recipient: owner.name }, ...(owner.contact === '' ? [] : [{ address: owner.contact }])] });
    for (const { id } of letters) await tx.getRepository(MessageRow).update({ id }, { recipient: GONE, address: '', text: GONE, file: '' });
    const { affected: removed } = await tx.getRepository(OwnerRow).delete({ id: owner.id, version: body.version });
    if (removed === 0) throw new Refusal('stale', 'Somebody changed this owner meanwhile: look at them again.', { current: owner });
    return { instruments: instruments ?? 0, letters };
  });
  for (const { file } of done.letters) await forgetLetter(file);
  const named: { passport: number }[] = await store.query(
    `SELECT DISTINCT i.passport FROM instrument i JOIN job j ON j.instrument_id = i.id
     WHERE position(lower($1) IN lower(i.name)) > 0 OR position(lower($1) IN lower(j.reason)) > 0
       OR EXISTS (SELECT 1 FROM bench_event e WHERE e.job_id = j.id AND position(lower($1) IN lower(e.event::text)) > 0) ORDER BY 1`,
    [owner.name],
  );
  await act(asked, 'owner-removed', `an owner of ${done.instruments} instruments, with ${done.letters.length} messages`);
  return { instruments: done.instruments, messages: done.letters.length, namedAt: named.map(({ passport }) => passport) };
};

const GONE = 'removed';
const passports = (all: readonly { passport: number }[]) => all.map(({ passport }) => String(passport).padStart(4, '0')).join(', ');

async function oneOwner(store: DataSource, id: string): Promise<OwnerRow> {
  const owner = await store.getRepository(OwnerRow).findOneBy({ id });
  if (owner === null) throw new Refusal('unknown', 'There is no owner with that id.');
  return owner;
}
