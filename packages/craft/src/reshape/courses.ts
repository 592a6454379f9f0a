import { pairedSlots, evenSlots, type Instrument, type StringPlace } from '../instrument/index.js';
import { CONCERT_A4, frequencyOf, fromMillimetres, hertz, metres, nearestNote, toMillimetres, type Metres } from '../units/index.js';
import { headOf, pegsOnHead, withHead } from './head.js';

/** Centres of two strings of a course at the nut. */
const PAIR = fromMillimetres(2.2);
/** As far as the geometry of an instrument goes. */
export const MOST_STRINGS = 18;

/** How many strings each course has, from the high side. */
export const courseSizes = ({ strings }: { strings: readonly Pick<StringPlace, 'course'>[] }): number[] => {
  const courses = [...new Set(strings.map(({ course }) => course))];
  return courses.map((course) => strings.filter((place) => place.course === course).length);
};

/**
 * The instrument with other courses: one or two strings each, from the high side. What it has stays; a course more lies as far under the last as that under the one before it, a second string of a course sounds
 * as the first. Slots are spaced evenly within those outermost now, and posts set anew.
 * @throws RangeError if a course has neither one nor two strings, or there are more than 18 in all.
 */
export function withCourses(instrument: Instrument, sizes: readonly number[]): Instrument {
  const count = sizes.reduce((sum, size) => sum + size, 0);
  if (sizes.length === 0 || sizes.some((size) => size !== 1 && size !== 2))
    throw new RangeError(`courses have one string or two, were ${sizes.join(', ')}`);
  if (count > MOST_STRINGS) throw new RangeError(`strings must be ${MOST_STRINGS} at most, were ${count}`);
  const before = byCourse(instrument);
  while (before.length < sizes.length) before.push([under(before)]);
  const strings = sizes.flatMap((size, course) => {
    const had = before[course] ?? [];
    return Array.from({ length: size }, (_, nth) => ({ ...(had[nth] ?? (had[0] as StringPlace)), course: course + 1 }));
  });
  const slots = slotsOf(instrument, sizes);
  const kept = { ...instrument, strings: strings.map((place, index) => ({ ...place, slotSideways: slots[index] ?? place.slotSideways })) };
  return withHead(kept, { ...headOf(instrument), treble: treblesOf(instrument, pegsOnHead(kept)) }, instrument);
}

function byCourse({ strings }: Instrument): StringPlace[][] {
  return courseSizes({ strings }).map((_, course) => strings.filter((place) => place.course === course + 1));
}

/** A string as far under the last course as that lies under the one before it; under a lone one a fourth. */
function under(courses: readonly StringPlace[][]): StringPlace {
  const [last, before] = [courses.at(-1)?.[0], courses.at(-2)?.[0]];
  if (last === undefined) throw new RangeError('an instrument has at least one string');
  const own = frequencyOf(last.note, CONCERT_A4);
  const step = before === undefined ? 3 / 4 : own / frequencyOf(before.note, CONCERT_A4);
  const lower = step < 1 ? step : 3 / 4;
  const post = last.post.pipAlong === null ? last.post : (before?.post ?? last.post);
  return {
    ...last,
    note: nearestNote(hertz(own * lower), CONCERT_A4),
    frequency: null,
    slotWidth: metres(last.slotWidth / lower ** 0.9),
    post,
  };
}

/** Evenly between the outermost slots of now, pairs close together; a fifth string keeps out of it. */
function slotsOf({ strings }: Instrument, sizes: readonly number[]): Metres[] {
  const now = strings.map(({ slotSideways }) => slotSideways);
  const outer = toMillimetres(metres(Math.max(...now) - Math.min(...now)));
  const pairs = pairedSlots(sizes.length, outer, toMillimetres(PAIR));
  const even = sizes.length === 1 ? [0] : sizes.every((size) => size === 1) ? evenSlots(sizes.length, outer) : null;
  const middle = (course: number) => ((pairs[2 * course] ?? 0) + (pairs[2 * course + 1] ?? 0)) / 2;
  const mm =
    even ?? sizes.flatMap((size, course) => (size === 2 ? [pairs[2 * course] ?? 0, pairs[2 * course + 1] ?? 0] : [middle(course)]));
  return mm.map(fromMillimetres);
}

/** Shared between the sides as they were: in line all stay on theirs. */
function treblesOf(instrument: Instrument, count: number): number {
  const { treble } = headOf(instrument);
  return Math.round((treble / Math.max(1, pegsOnHead(instrument))) * count - 1e-9);
}
