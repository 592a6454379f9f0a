import { DRIFT } from '@gold-peg/craft/constants';
import type { Finding } from '@gold-peg/craft/findings';
import type { Instrument } from '@gold-peg/craft/instrument';
import { toMillimetres, type Metres } from '@gold-peg/craft/units';

const BRASS = '#855a08';
const INK = '#1f1a17';
const SOFT = '#8c8377';
const n = (value: number): string => value.toFixed(1);
const svg = (width: number, height: number, body: string): string =>
  `<svg viewBox="0 0 ${n(width)} ${n(height)}" width="${n(width)}" height="${n(height)}" xmlns="http://www.w3.org/2000/svg" font-family="Roboto, sans-serif">${body}</svg>`;

/** Wood around posts and beyond the nut, mm. */
const RIM = 13;
const BUTTON = { long: 15, wide: 9, stem: 6 };

/** A head to scale in ink, nut to the right and string 1 on top as its player sees it from the front: posts, buttons, and every string from its slot to its post. Its units are millimetres. */
export function drawHead({ strings, headstock, nutWidth, hand }: Instrument, fitted: readonly { kind: string }[]): string {
  const mm = (length: Metres) => toMillimetres(length);
  const mirrored = hand === 'left' ? -1 : 1;
  const onHead = strings.flatMap((place, index) => (place.post.pipAlong === null ? [{ place, index }] : []));
  const alongs = onHead.map(({ place }) => mm(place.post.along));
  const asides = onHead.map(({ place }) => Math.abs(mm(place.post.sideways)));
  const half = Math.max(mm(nutWidth) / 2 + 2, Math.max(...asides) + RIM);
  const buttons = headstock.layout === 'headless' ? 0 : BUTTON.stem + BUTTON.long;
  const [tip, height] = [Math.max(...alongs) + RIM + 6, 2 * (half + buttons) + 4];
  const x = (along: number) => tip - along + 4;
  const y = (sideways: number) => height / 2 + mirrored * sideways;
  const neck = mm(nutWidth) / 2 + 1;
  const near = Math.min(...alongs);
  const outline = `<path d="M${n(x(0))} ${n(height / 2 - neck)}L${n(x(near * 0.6))} ${n(height / 2 - half)}H4V${n(height / 2 + half)}H${n(x(near * 0.6))}L${n(x(0))} ${n(height / 2 + neck)}z" fill="none" stroke="${INK}"/>`;
  const nut = `<path d="M${n(x(0))} ${n(height / 2 - neck)}v${n(2 * neck)}" stroke="${INK}" stroke-width="3"/>`;
  const each = onHead.map(({ place, index }) => {
    const { post, slotSideways } = place;
    const [px, py, down] = [x(mm(post.along)), y(mm(post.sideways)), post.side === 'bass' ? mirrored : -mirrored];
    const edge = height / 2 + down * half;
    const button =
      buttons === 0
        ? ''
        : `<path d="M${n(px)} ${n(edge)}v${n(down * BUTTON.stem)}" stroke="${INK}" stroke-width="2"/><rect x="${n(px - BUTTON.wide / 2)}" y="${n(down > 0 ? edge + BUTTON.stem : edge - BUTTON.stem - BUTTON.long)}" width="${BUTTON.wide}" height="${BUTTON.long}" rx="3" fill="none" stroke="${INK}"/>`;
    const wound = fitted[index]?.kind === 'wound';
    const string = `<path d="M${n(x(0))} ${n(y(mm(slotSideways)))}L${n(px)} ${n(py)}" stroke="${wound ? INK : BRASS}" stroke-width="${wound ? 1.6 : 1}"/>`;
    return `${button}${string}<circle cx="${n(px)}" cy="${n(py)}" r="${n(Math.max(2.2, mm(post.diameter) / 2))}" fill="#fff" stroke="${INK}"/>`;
  });
  return svg(x(0) + 6, height, outline + each.join('') + nut);
}

const FRETS = 15;

/** A fingerboard with the places where something was found, lettered in their order; what lies elsewhere has no letter on it. */
export function drawNeck(findings: readonly Pick<Finding, 'string' | 'fret'>[], stringCount: number, width: number): string {
  const height = 54;
  const [left, top, bottom] = [12, 4, height - 14];
  const whole = 1 - 2 ** (-FRETS / 12);
  const x = (fret: number) => left + ((width - left - 6) * (1 - 2 ** (-fret / 12))) / whole;
  const y = (string: number) => top + ((bottom - top) * (string - 0.5)) / stringCount;
  const frets = Array.from({ length: FRETS }, (_, nth) => `<path d="M${n(x(nth + 1))} ${top}V${bottom}" stroke="${SOFT}"/>`).join('');
  const strings = Array.from(
    { length: stringCount },
    (_, nth) => `<path d="M${left} ${n(y(nth + 1))}H${n(width - 6)}" stroke="${BRASS}" stroke-width="0.7"/>`,
  ).join('');
  const numbers = [3, 5, 7, 9, 12]
    .map(
      (fret) =>
        `<text x="${n((x(fret - 1) + x(fret)) / 2)}" y="${height - 3}" font-size="8" text-anchor="middle" fill="${SOFT}">${fret}</text>`,
    )
    .join('');
  const marks = findings.map(({ string, fret }, index) => {
    if (string === null && fret === null) return '';
    const at = fret === null || fret === 0 ? x(0) : (x(fret - 1) + x(fret)) / 2;
    const row = string === null ? (top + bottom) / 2 : y(string);
    return `<circle cx="${n(at)}" cy="${n(row)}" r="6" fill="${BRASS}"/><text x="${n(at)}" y="${n(row + 3)}" font-size="8.5" font-weight="bold" text-anchor="middle" fill="#fff">${letterOf(index)}</text>`;
  });
  return svg(
    width,
    height,
    `<path d="M${left} ${top}V${bottom}" stroke="${INK}" stroke-width="3"/>${frets}${strings}${numbers}${marks.join('')}`,
  );
}

/** 'a' for the first. */
export const letterOf = (index: number): string => String.fromCharCode(97 + (index % 26));

/** How a string goes on moving: since when, by how much it is off before it is tuned again, ¢, when that is, and from when it holds. Milliseconds since 1970. */
export interface Moves {
  home: number;
  since: number;
  limit: number;
  /** It holds once it moves no more than that in so many hours. */
  withinHours: number;
  times: readonly number[];
  holdsFrom: number | null;
}

const HOUR_MS = 3_600_000;
const QUARTER_MS = HOUR_MS / 4;
/** Nights are drawn grey, from this hour to that. */
const NIGHT = ['22:00', '07:00'] as const;
/** Farther ahead than this nobody reads a card. */
const MOST_HOURS = 96;

/**
 * How far flat a string of those that move lies, from the hour it goes home: it falls as creep does, by the logarithm of its age (`DRIFT`), down to where it is tuned again, and rises there. Nights are grey,
 * each hour to tune has a mark; after the last it is drawn for as long as it is to hold. `zone`: of the house, by whose clock days and nights are.
 */
export function drawMoves({ home, since, limit, withinHours, times, holdsFrom }: Moves, width: number, zone: string): string {
  const height = 74;
  const [top, deep, axis] = [8, 34, 52];
  const lastTuned = Math.max(home, ...times);
  const ends = lastTuned + withinHours * HOUR_MS;
  const until = Math.min(Math.max(home + 12 * HOUR_MS, ends, holdsFrom ?? 0), home + MOST_HOURS * HOUR_MS);
  const x = (at: number) => ((width - 2) * (at - home)) / (until - home) + 1;
  const gone = (at: number) => Math.log1p(Math.max(0, (at - since) / HOUR_MS) / DRIFT.onset.value);
  const stops = [...times.filter((time) => time < until), Math.min(until, ends)];
  let from = Math.max(since, ...times.filter((time) => time <= home));
  const falls = stops
    .filter((stop) => stop > home)
    .map((stop, index, all) => {
      const begins = from;
      const whole = gone(times.includes(stop) ? stop : ends) - gone(begins) || 1;
      const depth = (at: number) => top + ((deep - top) * (gone(at) - gone(begins))) / whole;
      const points = Array.from({ length: 9 }, (_, nth) => Math.max(home, begins) + ((stop - Math.max(home, begins)) * nth) / 8);
      const line = points.map((at, nth) => `${nth === 0 ? 'M' : 'L'}${n(x(at))} ${n(depth(at))}`).join('');
      from = stop;
      return `<path d="${line}" fill="none" stroke="${INK}" stroke-width="1.3"/>${index === all.length - 1 ? '' : `<path d="M${n(x(stop))} ${deep}V${top}" stroke="${BRASS}"/>`}`;
    });
  const marks = times
    .filter((time) => time > home && time < until)
    .map((time) => `<path d="M${n(x(time))} ${axis}l-4 -7h8z" fill="${BRASS}"/>`);
  const flat = `<text x="${n(width - 4)}" y="${deep + 10}" font-size="8" text-anchor="end" fill="${SOFT}">tuned again at ${n(limit)} ¢ flat</text>`;
  const base = `<path d="M1 ${top}H${n(width - 1)}" stroke="${BRASS}" stroke-dasharray="3 2" stroke-width="0.7"/><path d="M1 ${axis}H${n(width - 1)}" stroke="${INK}"/>`;
  return svg(width, height, days({ home, until, x, axis, zone }) + base + falls.join('') + marks.join('') + flat);
}

/** Nights, midnights with the days that begin there, and noons. */
function days({
  home,
  until,
  x,
  axis,
  zone,
}: {
  home: number;
  until: number;
  x: (at: number) => number;
  axis: number;
  zone: string;
}): string {
  const weekday = new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone: zone });
  const quarters = quartersOf(home - 24 * HOUR_MS, until + 24 * HOUR_MS, zone);
  const showing = (clock: string) => quarters.filter(({ shows }) => shows === clock).map(({ at }) => at);
  const grey = showing(NIGHT[0]).flatMap((dusk) => {
    const dawn = showing(NIGHT[1]).find((at) => at > dusk) ?? until;
    const [from, to] = [Math.max(home, dusk), Math.min(until, dawn)];
    return to > from ? [`<rect x="${n(x(from))}" y="2" width="${n(x(to) - x(from))}" height="${axis - 2}" fill="#eeeae2"/>`] : [];
  });
  const tick = (at: number, tall: number, says: string) =>
    `<path d="M${n(x(at))} ${axis}v${tall}" stroke="${INK}"/><text x="${n(x(at))}" y="${axis + 18}" font-size="8" text-anchor="middle" fill="${SOFT}">${says}</text>`;
  const within = (at: number) => at > home && at < until;
  const midnights = showing('00:00').filter(within).map((at) => tick(at, 9, weekday.format(at))); // prettier-ignore
  const noons = showing('12:00').filter(within).map((at) => tick(at, 5, `${weekday.format(at)} noon`)); // prettier-ignore
  return [...grey, ...midnights, ...noons].join('');
}

/** Moments at which a clock in this zone shows a quarter of an hour, with what it shows; right also where it is put forward or back. */
function quartersOf(from: number, until: number, zone: string): { at: number; shows: string }[] {
  const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: zone });
  const first = Math.ceil(from / QUARTER_MS);
  return Array.from({ length: Math.ceil(until / QUARTER_MS) - first }, (_, nth) => {
    const at = (first + nth) * QUARTER_MS;
    return { at, shows: clock.format(at) };
  });
}
