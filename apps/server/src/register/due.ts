import type { DataSource, EntityManager } from 'typeorm';
import { writeCalendar } from '@gold-peg/contract/calendar';
import type { DueEntry, PastSetup, PlayedHours } from '@gold-peg/contract/register';
import { stillOpen } from '@gold-peg/craft/findings';
import { dueOf, type Due } from '@gold-peg/craft/wear';
import type { Handler, StreamHandler } from '../handling/index.js';
import { InstrumentRow, SetupRow } from '../store/index.js';
import { isThere, summariesOf } from './summaries.js';

/** Most instruments that one calendar holds. */
const MOST_IN_CALENDAR = 500;

type Known = Pick<InstrumentRow, 'id' | 'passport' | 'geometry' | 'weeklyHours' | 'hoursAskedAt'> & {
  contact: string | null;
  toldAt: Date | null;
};

export const hoursOf = ({ weeklyHours, hoursAskedAt }: Pick<InstrumentRow, 'weeklyHours' | 'hoursAskedAt'>): PlayedHours | null =>
  weeklyHours === null || hoursAskedAt === null ? null : { weeklyHours, askedAt: hoursAskedAt.toISOString() };

/** Condition of the strings of an instrument, and which is worn first; null where nothing is known of them. */
function judge(
  { geometry, ...row }: Pick<Known, 'geometry' | 'weeklyHours' | 'hoursAskedAt'>,
  setups: readonly PastSetup[],
  now: Date,
): Due | null {
  const hours = hoursOf(row);
  const asked = hours === null ? null : { weeklyHours: hours.weeklyHours, askedAt: Date.parse(hours.askedAt) };
  return dueOf({ family: geometry.family, setups, hours: asked }, now.getTime());
}

/** Writes down when an instrument should come back, by its setups and by how much it is played. */
export async function projectDue(tx: EntityManager, instrumentId: string): Promise<void> {
  const row = await tx.findOneByOrFail(InstrumentRow, { id: instrumentId });
  const setups = (await tx.findBy(SetupRow, { instrumentId })).map(({ setup }) => setup);
  // of the moment of its latest setup: then it is the same whoever writes it, and when
  const due = judge(row, setups, new Date(Math.max(0, ...setups.map(({ fittedAt }) => Date.parse(fittedAt)))));
  const likely = due?.wear.get(due.string)?.due.likely;
  await tx.update(InstrumentRow, { id: instrumentId }, { dueAt: likely === undefined ? 'infinity' : new Date(likely) });
}

interface Page {
  until: string;
  /** Passport of the instrument that was read last. */
  after?: number | undefined;
  limit: number;
}

/** Instruments that should come back until then and are not in the workshop, the earliest first. */
async function dueUntil(store: DataSource, now: Date, { until, after, limit }: Page): Promise<DueEntry[]> {
  const further =
    after === undefined ? '' : 'AND (i.due_at, i.passport) > (SELECT l.due_at, l.passport FROM instrument l WHERE l.passport = $3)';
  const rows: Known[] = await store.query(
    `SELECT i.id, i.passport, i.geometry, i.weekly_hours AS "weeklyHours", i.hours_asked_at AS "hoursAskedAt", o.contact,
       (SELECT max(m.sent_at) FROM message m WHERE m.instrument_id = i.id) AS "toldAt"
     FROM instrument i LEFT JOIN owner o ON o.id = i.owner_id
     WHERE i.due_at <= $1 AND ${isThere('i')} ${further} AND NOT EXISTS (SELECT FROM job j WHERE j.instrument_id = i.id AND j.state <> 'handed-over')
     ORDER BY i.due_at, i.passport LIMIT $2`,
    [until, limit, ...(after === undefined ? [] : [after])],
  );
  const ids = rows.map(({ id }) => id);
  const [summaries, setups] = await Promise.all([
    summariesOf(store, ids),
    store.query<{ instrumentId: string; setup: PastSetup }[]>(
      'SELECT instrument_id AS "instrumentId", setup FROM setup WHERE instrument_id = ANY($1) ORDER BY fitted_at DESC',
      [ids],
    ),
  ]);
  return rows.flatMap((row): DueEntry[] => {
    const instrument = summaries.get(row.id);
    const own = setups.filter(({ instrumentId }) => instrumentId === row.id).map(({ setup }) => setup);
    const due = judge(row, own, now);
    const wear = due?.wear.get(due.string);
    if (instrument === undefined || due === null || wear === undefined) return [];
    const at = (moment: number) => new Date(moment).toISOString();
    return [
      {
        instrument,
        contact: row.contact ?? '',
        due: { low: at(wear.due.low), likely: at(wear.due.likely), high: at(wear.due.high) },
        string: due.string,
        ageDays: wear.ageDays,
        hours: hoursOf(row),
        learnedFrom: wear.learnedFrom,
        toldAt: row.toldAt?.toISOString() ?? null,
        findings: stillOpen(own),
      },
    ];
  });
}

export const listDue: Handler<'listDue'> = async ({ store, now, query }) => {
  const entries = await dueUntil(store, now, query);
  return { entries, next: entries.length < query.limit ? null : (entries.at(-1)?.instrument.passport ?? null) };
};

export const dueCalendar: StreamHandler<'dueCalendar'> = async ({ store, now, query }, response) => {
  response.type('text/calendar').setHeader('content-disposition', 'attachment; filename="gold-peg-due.ics"');
  response.send(await writeDue(store, now, query.until));
};

/** What is due as an iCalendar file, one day for each. */
export async function writeDue(store: DataSource, now: Date, until: string): Promise<string> {
  const entries = await dueUntil(store, now, { until, limit: MOST_IN_CALENDAR });
  const told = entries.map(({ instrument, due, string, contact }) => ({
    id: `due-${instrument.id}`,
    at: new Date(due.likely),
    minutes: null,
    title: `${instrument.name} is due for strings`,
    says: `passport ${instrument.passport}, ${instrument.ownerName ?? 'no owner'}${contact === '' ? '' : `, ${contact}`}: string ${string} is likely worn first, between ${day(due.low)} and ${day(due.high)}`,
    alarmBefore: null,
  }));
  return writeCalendar('Due for strings', told, now);
}

const day = (at: string): string => at.slice(0, 10);
