import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Passport } from '@gold-peg/contract/register';
import { rebuild, openHouse, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';
import { CurrentStringRow, InstrumentRow } from '../store/index.js';

let house: TestHouse;
let technician: Visitor;
beforeAll(async () => {
  house = await openHouse();
  technician = await house.visitor().signIn('technician');
});
afterAll(() => house.close());

const read = async (id: string) => (await technician.ask('GET', `/api/instruments/${id}`)).body as Passport;
const merge = (id: string, version: number, into: string) => technician.ask('POST', `/api/instruments/${id}/merge`, { version, into });
/** Instruments that are not in the workshop, with what was done to them. */
async function atHome(strings: number): Promise<Passport[]> {
  const rows = await house.store.getRepository(InstrumentRow).find({ order: { passport: 'ASC' } });
  const passports = await Promise.all(rows.map(({ id }) => read(id)));
  return passports.filter(
    ({ openJobId, setups, stringCount, archivedAt }) =>
      openJobId === null && setups.length > 0 && stringCount === strings && archivedAt === null,
  );
}

describe('an instrument that is in the register twice', () => {
  it('becomes one: setups of both in their order, the latest as its strings, photos and all', async () => {
    const [gone, kept] = await atHome(6);
    if (gone === undefined || kept === undefined) throw new Error('two of six strings are at home');
    const { status, body } = await merge(gone.id, gone.version, kept.id);
    expect(status).toBe(200);
    const now = body as Passport;
    const both = [...gone.setups, ...kept.setups].map(({ jobId, fittedAt }) => ({ jobId, fittedAt }));
    const inOrder = both.sort((a, b) => b.fittedAt.localeCompare(a.fittedAt)).map(({ jobId }) => jobId);
    expect(now.setups.map(({ jobId }) => jobId)).toEqual(inOrder);
    expect(now.current?.jobId).toBe(inOrder[0]);
    const left = await read(gone.id);
    expect(left.setups).toEqual([]);
    expect(left.archivedAt).not.toBeNull();
    expect(left.remark).toContain(`It is passport ${String(kept.passport).padStart(4, '0')} now.`);
    const strings = await house.store.getRepository(CurrentStringRow).findBy({ instrumentId: kept.id });
    expect(new Set(strings.map(({ jobId }) => jobId))).toEqual(new Set([inOrder[0]]));
    expect(await house.store.getRepository(CurrentStringRow).countBy({ instrumentId: gone.id })).toBe(0);
    await rebuild(house.store); // what is made again from the log says the same
    expect(await read(kept.id)).toEqual(now);
  });

  it('is refused where they are not one: other strings, the same twice, an older version, one that lies in the workshop, at the counter', async () => {
    const [six] = await atHome(6);
    const rows = await house.store.getRepository(InstrumentRow).find();
    const other = rows.find(({ geometry }) => geometry.strings.length !== 6);
    if (six === undefined || other === undefined) throw new Error('there are others');
    expect((await merge(six.id, six.version, other.id)).body.detail).toContain('must have 6 strings');
    expect((await merge(six.id, six.version, six.id)).body.detail).toContain('another instrument');
    const inWorkshop = (await technician.job(117)).instrument.id;
    expect((await merge(six.id, six.version - 1 || 99, inWorkshop)).status).toBe(409);
    const open = await read(inWorkshop);
    expect((await merge(open.id, open.version, six.id)).body.detail).toContain('until this one has left the workshop');
    const counter = await house.visitor().signIn('counter');
    expect((await counter.ask('POST', `/api/instruments/${six.id}/merge`, { version: six.version, into: open.id })).status).toBe(403);
    expect(await read(six.id)).toEqual(six);
  });
});
