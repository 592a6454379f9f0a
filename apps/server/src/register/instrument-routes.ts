import type { DataSource, EntityManager } from 'typeorm';
import { fromInstrument, type Geometry, type Passport } from '@gold-peg/contract/register';
import { archetype, instrumentOf } from '@gold-peg/craft/archetypes';
import { type Handler, Refusal, refuseField } from '../handling/index.js';
import { addOnce, holdInstrument, InstrumentRow, isSame, JobRow, openJobOf, OwnerRow } from '../store/index.js';
import { countSome } from './count-some.js';
import { projectDue } from './due.js';
import { factsFor } from './filed.js';
import { readPassport } from './instrument.js';
import { containing } from './search.js';
import { isThere, summariesFound } from './summaries.js';

export const listInstruments: Handler<'listInstruments'> = async ({ store, query: { search = '', ...page } }) => {
  const [instruments, count] = await Promise.all([
    summariesFound(store, { search, ...page }),
    countSome(store, `instrument i WHERE i.search LIKE lower($1) AND ${isThere('i', page.archived)}`, [containing(search)]),
  ]);
  return { instruments, next: instruments.length < page.limit ? null : (instruments.at(-1)?.passport ?? null), count };
};

export const addInstrument: Handler<'addInstrument'> = async ({ store, body }) => {
  const kind = archetype(body.archetypeId);
  if (kind === undefined) throw refuseField('archetypeId', 'must be one of the kinds on the list');
  await requireOwner(store, body.ownerId);
  const { id, name, ownerId, remark } = body;
  const typical = fromInstrument(instrumentOf(kind.id));
  const geometry = body.geometry ?? scaled({ ...typical, hand: body.hand }, body.scaleMm);
  const draft = { id, name, archetypeId: kind.id, ownerId, remark };
  const before = await store.getRepository(InstrumentRow).findOneBy({ id }); // looked for first: each try would use up a passport number
  if (before === null)
    await addOnce(store, InstrumentRow, {
      ...draft,
      facts: factsFor(kind.id, geometry),
      geometry,
      methods: {},
      weeklyHours: null,
      hoursAskedAt: null,
      archivedAt: null,
      version: 1,
    });
  const current = await readPassport(store, id);
  if (before !== null && !isSame(before, draft)) throw new Refusal('taken', `id must be new: it is that of ${current.name}`, { current });
  return current;
};

/** A measured scale length replaces the longest of the archetype; strings of other lengths keep their proportion to it. */
function scaled(geometry: Geometry, scaleMm: number | null): Geometry {
  if (scaleMm === null) return geometry;
  const longest = Math.max(...geometry.strings.map((string) => string.scaleMm));
  return { ...geometry, strings: geometry.strings.map((string) => ({ ...string, scaleMm: (string.scaleMm * scaleMm) / longest })) };
}

export const passport: Handler<'passport'> = ({ store, params }) => readPassport(store, params.id);

export const changeInstrument: Handler<'changeInstrument'> = async ({ store, params, body }) => {
  const { version, hours, ...change } = body;
  await requireOwner(store, change.ownerId);
  const asked =
    hours === undefined ? {} : { weeklyHours: hours?.weeklyHours ?? null, hoursAskedAt: hours === null ? null : new Date(hours.askedAt) };
  return changeVersion(store, params.id, version, { ...change, ...asked });
};

export const changeGeometry: Handler<'changeGeometry'> = async ({ store, params, body: { version, geometry } }) => {
  const before = await readPassport(store, params.id);
  const facts = factsFor(before.archetypeId, geometry);
  const { length } = before.geometry.strings;
  const neverWorkedOn = async (tx: EntityManager) => {
    await holdInstrument(tx, params.id);
    if (geometry.strings.length !== length && (await tx.existsBy(JobRow, { instrumentId: params.id })))
      throw refuseField('geometry.strings', `must keep its ${length} strings: its log and setups speak of them`);
  };
  return changeVersion(store, params.id, version, { geometry, facts }, neverWorkedOn);
};

/** Held while that is decided: nothing is taken in meanwhile. */
export const archiveInstrument: Handler<'archiveInstrument'> = async ({ store, now, params, body: { version, archived } }) => {
  const notInWorkshop = async (tx: EntityManager) => {
    await holdInstrument(tx, params.id);
    if (archived && (await openJobOf(tx, params.id)) !== null)
      throw refuseField('archived', 'must be false while it is in the workshop: hand it over first');
  };
  return changeVersion(store, params.id, version, { archivedAt: archived ? now : null }, notInWorkshop);
};

export const changeMethods: Handler<'changeMethods'> = ({ store, params, body: { version, methods } }) =>
  changeVersion(store, params.id, version, { methods });

type Change = Partial<
  Pick<InstrumentRow, 'facts' | 'name' | 'ownerId' | 'remark' | 'weeklyHours' | 'hoursAskedAt' | 'geometry' | 'methods' | 'archivedAt'>
>;

/** Changes the version that was read, or refuses with what stands now; `check` refuses within the same transaction. */
async function changeVersion(
  store: DataSource,
  id: string,
  version: number,
  change: Change,
  check: (tx: EntityManager) => Promise<void> = () => Promise.resolve(),
): Promise<Passport> {
  const affected = await store.transaction(async (tx) => {
    await check(tx);
    const done = await tx.update(InstrumentRow, { id, version }, { ...change, version: version + 1 });
    if (done.affected !== 0 && (change.weeklyHours !== undefined || change.geometry !== undefined)) await projectDue(tx, id);
    return done.affected;
  });
  const current = await readPassport(store, id);
  if (affected === 0) {
    throw new Refusal(
      'stale',
      `Somebody changed this instrument meanwhile: it is now ${current.name}, owner ${current.ownerName ?? 'none'}.`,
      { current },
    );
  }
  return current;
}

async function requireOwner(store: DataSource, id: string | null): Promise<void> {
  if (id === null) return;
  const known = await store.getRepository(OwnerRow).existsBy({ id });
  if (!known) throw refuseField('ownerId', 'must be an owner in the register');
}
