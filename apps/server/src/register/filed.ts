import { In, type DataSource, type EntityManager } from 'typeorm';
import type { FileProblem } from '@gold-peg/contract/files';
import { factsOf, geometrySchema, toInstrument, type FiledInstrument, type Geometry } from '@gold-peg/contract/register';
import { archetype, instrumentOf } from '@gold-peg/craft/archetypes';
import { InstrumentRow, JobRow, OwnerRow } from '../store/index.js';
import { hoursOf, projectDue } from './due.js';

export const asFiled = (row: InstrumentRow): FiledInstrument => ({
  id: row.id,
  name: row.name,
  archetypeId: row.archetypeId,
  ownerId: row.ownerId,
  hours: hoursOf(row),
  remark: row.remark,
  geometry: geometrySchema.parse(row.geometry),
});

/** What an instrument is called where nobody says otherwise: as its kind, or by its parts where it was made another. */
export function factsFor(archetypeId: string, geometry: Geometry): string {
  const kind = archetype(archetypeId);
  const [own, typical] = [factsOf(toInstrument(geometry)), kind === undefined ? null : factsOf(instrumentOf(kind.id))];
  return kind !== undefined && own === typical ? kind.facts : own;
}

/** Kinds and owners that there are not, and strings that a log speaks of and a file would take away. */
export async function instrumentProblems(
  store: DataSource,
  rows: readonly { row: number; value: FiledInstrument }[],
): Promise<FileProblem[]> {
  const wanted = rows.flatMap(({ value }) => value.ownerId ?? []);
  const owners = new Set((await store.getRepository(OwnerRow).findBy({ id: In(wanted) })).map(({ id }) => id));
  const ids = rows.map(({ value }) => value.id);
  const worked = await store
    .getRepository(InstrumentRow)
    .createQueryBuilder('i')
    .where('i.id = ANY(:ids) AND EXISTS (SELECT 1 FROM job WHERE job.instrument_id = i.id)', { ids })
    .getMany();
  const counts = new Map(worked.map(({ id, geometry }) => [id, geometry.strings.length]));
  return rows.flatMap(({ row, value: { id, archetypeId, ownerId, geometry } }) => {
    const count = counts.get(id) ?? geometry.strings.length;
    return [
      ...(archetype(archetypeId) === undefined
        ? [{ row, column: 'kind', says: `must be one of the kinds: ${archetypeId} is not one` }]
        : []),
      ...(ownerId === null || owners.has(ownerId)
        ? []
        : [{ row, column: 'owner', says: 'must be an owner in the register: take in owners first' }]),
      ...(count === geometry.strings.length
        ? []
        : [{ row, column: 'geometry', says: `must keep its ${count} strings: its log speaks of them` }]),
    ];
  });
}

export async function fileInstrument(tx: EntityManager, { hours, ...row }: FiledInstrument): Promise<void> {
  const asked = { weeklyHours: hours?.weeklyHours ?? null, hoursAskedAt: hours === null ? null : new Date(hours.askedAt) };
  const columns = { ...row, ...asked, facts: factsFor(row.archetypeId, row.geometry) };
  const before = await tx.findOneBy(InstrumentRow, { id: row.id });
  if (before === null) await tx.insert(InstrumentRow, { ...columns, methods: {}, archivedAt: null, version: 1 });
  else await tx.update(InstrumentRow, { id: row.id }, { ...columns, version: before.version + 1 });
  if (await tx.existsBy(JobRow, { instrumentId: row.id })) await projectDue(tx, row.id);
}
