import type { EntityManager } from 'typeorm';
import { projectAgain } from '../bench-log/index.js';
import { type Handler, Refusal, refuseField } from '../handling/index.js';
import { readPassport } from '../register/index.js';
import { holdInstrument, InstrumentRow, openJobOf } from '../store/index.js';

/** Tables whose rows speak of an instrument; what follows from the log among them is made again afterwards. */
const SPEAK_OF_IT = ['job', 'setup', 'turns_counted', 'attachment', 'message'] as const;
/** As long as a remark may be. */
const LONGEST = 2000;

/** An instrument that is in the register twice becomes one. The log stays as it was taken down; what it says is told by the one that is kept. */
export const mergeInstruments: Handler<'mergeInstruments'> = async ({ store, now, params, body: { version, into } }) => {
  if (into === params.id) throw refuseField('into', 'must be another instrument: this is the same');
  const stale = await store.transaction(async (tx) => {
    for (const id of [params.id, into].sort()) await holdInstrument(tx, id); // in one order: two who merge each other do not wait for one another
    const [gone, kept] = [await tx.findOneBy(InstrumentRow, { id: params.id }), await tx.findOneBy(InstrumentRow, { id: into })];
    if (gone === null) throw new Refusal('unknown', 'There is no instrument with that id.');
    if (kept === null) throw refuseField('into', 'must be an instrument in the register');
    if (gone.version !== version) return true;
    await refuseUnlike(tx, gone, kept);
    for (const table of SPEAK_OF_IT)
      await tx.query(`UPDATE "${table}" SET instrument_id = $2 WHERE instrument_id = $1`, [gone.id, kept.id]);
    await tx.query('DELETE FROM current_string WHERE instrument_id = $1', [gone.id]);
    const remark = `It is passport ${String(kept.passport).padStart(4, '0')} now. ${gone.remark}`.trim().slice(0, LONGEST);
    await tx.update(InstrumentRow, { id: gone.id }, { archivedAt: gone.archivedAt ?? now, remark, version: version + 1 });
    const hours = kept.weeklyHours === null ? { weeklyHours: gone.weeklyHours, hoursAskedAt: gone.hoursAskedAt } : {};
    await tx.update(InstrumentRow, { id: kept.id }, { ownerId: kept.ownerId ?? gone.ownerId, ...hours, version: kept.version + 1 });
    await projectAgain(tx, kept.id);
    return false;
  });
  const current = await readPassport(store, stale ? params.id : into);
  if (stale) throw new Refusal('stale', `Somebody changed this instrument meanwhile: it is now ${current.name}.`, { current });
  return current;
};

async function refuseUnlike(tx: EntityManager, gone: InstrumentRow, kept: InstrumentRow): Promise<void> {
  const [has, wants] = [gone.geometry.strings.length, kept.geometry.strings.length];
  if (has !== wants) throw refuseField('into', `must have ${has} strings as this one has: it has ${wants}, and is another instrument`);
  if ((await openJobOf(tx, gone.id)) !== null)
    throw refuseField('into', 'must wait until this one has left the workshop: its worksheet is open, perhaps on a device that is away');
}
