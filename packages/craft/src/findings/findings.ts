import type { AnchorKind, Instrument, Wood } from '../instrument/index.js';

/** How much a finding matters, least first: keep an eye on it, have it done soon, or before the instrument leaves. */
export const SEVERITIES = ['watch', 'soon', 'now'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** Parts of the instrument on which something can be found, from head to tail. */
export const PARTS = ['peg', 'nut', 'fret', 'board', 'string', 'body', 'bridge', 'pin', 'electrics'] as const;
export type Part = (typeof PARTS)[number];

/** Whom a finding is sent to. */
export type Referral = 'repairer' | 'electrician';

interface Lore {
  part: Part;
  name: string;
  advice: string;
  /** At this severity and above it is no work for a string bench; null: it is, always. */
  referFrom: Severity | null;
  refer: Referral;
  /** Placed on one string, on one fret of one string, or on the instrument as a whole. */
  place: 'fret-and-string' | 'string' | 'whole';
}

const lore = (part: Part, place: Lore['place'], name: string, advice: string, referFrom: Severity | null): Lore => ({
  part,
  place,
  name,
  advice,
  referFrom,
  refer: 'repairer',
});
const electric = (name: string, advice: string): Lore => ({ ...lore('electrics', 'whole', name, advice, 'watch'), refer: 'electrician' });

/** What is looked for while strings are off, and what one does about it. */
export const FINDINGS = {
  groove: lore(
    'fret',
    'fret-and-string',
    'groove',
    'A shallow groove plays on: watch it. One that catches a fingernail makes the string buzz or choke: it is levelled.',
    'soon',
  ),
  'fret-lifts': lore('fret', 'fret-and-string', 'fret lifts', 'An end or a middle that stands up chokes the frets before it.', 'watch'),
  'fret-sharp': lore('fret', 'fret-and-string', 'sharp end', 'The board has shrunk: oil it if its wood takes oil, and look again.', 'now'),
  'slot-binds': lore(
    'nut',
    'string',
    'slot binds',
    'A little graphite or wax; if the string still hangs, the slot is opened by a repairer.',
    'soon',
  ),
  'slot-low': lore('nut', 'string', 'slot too low', 'The open string buzzes at fret 1: the slot is filled or the nut replaced.', 'watch'),
  'slot-wide': lore('nut', 'string', 'slot too wide', 'The open string rattles sideways: a thicker string, or a new nut.', 'now'),
  'open-rings': lore(
    'nut',
    'string',
    'open string rings or buzzes',
    'Look at its angle over the nut at Wind first: more turns, wound lower, or a tree; then at its slot.',
    'soon',
  ),
  'board-dry': lore('board', 'whole', 'dry board', 'A dry board shrinks and frets lift.', null),
  'board-dirty': lore('board', 'whole', 'dirty board', 'A damp cloth along the frets, dried at once; no solvent on lacquer.', null),
  'bridge-lifts': lore('bridge', 'whole', 'bridge lifts', 'Paper slides under its back edge: less pull at once, and a repairer.', 'watch'),
  'saddle-worn': lore('bridge', 'string', 'saddle worn', 'A groove under the string kills its ring and breaks it there.', 'soon'),
  'bridge-cracked': lore('bridge', 'whole', 'bridge cracked', 'It is not strung up before a repairer has seen it.', 'watch'),
  'pin-worn': lore('pin', 'string', 'pin worn', 'A pin with a bitten edge lets the ball climb: put in another of the same taper.', null),
  'plate-worn': lore('pin', 'string', 'plate worn', 'Balls pull up into the plate: it is capped by a repairer.', 'soon'),
  'screw-loose': lore(
    'peg',
    'string',
    'screw loose',
    'Snug the nut or screw of the peg; it rattles otherwise. What comes off is kept in the tray.',
    null,
  ),
  'peg-slips': lore('peg', 'string', 'peg slips', 'A dry peg takes peg paste, a worn gear is exchanged.', 'now'),
  rattle: lore('body', 'whole', 'rattles', 'Tap round the top: a ball end or a screw inside comes out now; a brace does not.', 'soon'),
  crack: lore('body', 'whole', 'crack', 'Humidity first, then a repairer: a string bench glues nothing.', 'watch'),
  'string-worn': lore('string', 'string', 'old string worn flat', 'Flats where it met the frets: the frets below show the same.', null),
  'string-rusty': lore('string', 'string', 'old string rusty', 'Wiped after playing, the next one lasts longer.', null),
  'string-faulty': lore('string', 'string', 'new string faulty', 'Loose wraps under the thumb: it is not fitted; take another.', null),
  crackles: electric('crackles', 'Pots and jacks are out of scope here; unplug it. Mains repairs belong to licensed electricians.'),
  dead: electric('no sound', 'Out of scope here; unplug it. Mains repairs belong to licensed electricians.'),
} as const satisfies Record<string, Lore>;
export type FindingKind = keyof typeof FINDINGS;
export const FINDING_KINDS = Object.keys(FINDINGS) as FindingKind[];

const OIL: Readonly<Record<Wood, { says: string; oil: boolean }>> = {
  rosewood: { says: 'Rosewood drinks: a few drops of board oil, spread, wiped off after minutes.', oil: true },
  ebony: { says: 'Ebony needs little: one drop for three frets, wiped off at once.', oil: true },
  'maple-lacquered': { says: 'Lacquered maple takes no oil at all: a barely damp cloth.', oil: false },
  'maple-oiled': { says: 'Oiled maple: the thinnest coat, wiped off at once, or it darkens.', oil: true },
  walnut: { says: 'Walnut: a few drops of board oil, wiped off after minutes.', oil: true },
  composite: { says: 'Composite needs nothing: a damp cloth.', oil: false },
};

/** Something that was found at one place. `string` is its number, 1 at the high side. */
export interface Finding {
  what: FindingKind;
  severity: Severity;
  string: number | null;
  fret: number | null;
  wood: Wood | null;
}

export interface Advice {
  says: string;
  /** Null where the bench does it itself. */
  refer: Referral | null;
  /** Oil is going to be used: its caution belongs beside it. */
  oil: boolean;
}

/** What to do about a finding, and whether it is work for somebody else. */
export function advise({ what, severity, wood }: Pick<Finding, 'what' | 'severity' | 'wood'>): Advice {
  const { advice, referFrom, refer }: Lore = FINDINGS[what];
  const treated = what === 'board-dry' && wood !== null ? OIL[wood] : null;
  const beyond = referFrom !== null && SEVERITIES.indexOf(severity) >= SEVERITIES.indexOf(referFrom);
  return {
    says: treated === null ? advice : `${advice} ${treated.says}`,
    refer: beyond ? refer : null,
    oil: treated?.oil ?? false,
  };
}

/** What can be found on this instrument at all: pins only where there are pins, a lifting bridge only where one is glued. */
export function findable(instrument: Pick<Instrument, 'bridge'>, at: FindingKind): boolean {
  const { part } = FINDINGS[at];
  if (part === 'pin') return instrument.bridge.anchor === 'pins';
  if (at === 'bridge-lifts') return GLUED.includes(instrument.bridge.anchor);
  return true;
}
const GLUED: readonly AnchorKind[] = ['pins', 'tie-block', 'knot-in-slot', 'wrap-and-tuck'];

/** Where a finding is: the same place holds one finding of a kind. */
export const placeOf = ({ what, string, fret }: Pick<Finding, 'what' | 'string' | 'fret'>): string =>
  `${what} ${string ?? ''} ${fret ?? ''}`;

export type Course = 'new' | 'worse' | 'same' | 'better' | 'gone';

/** Findings of now against those of the last time, each with how it went on; what is not found any more comes last, as gone. */
export function compareFindings<T extends Finding, U extends Finding>(
  now: readonly T[],
  before: readonly U[],
): { finding: T | U; course: Course }[] {
  const at = new Map(before.map((finding) => [placeOf(finding), finding]));
  const rank = ({ severity }: Finding) => SEVERITIES.indexOf(severity);
  const still = now.map((finding) => {
    const old = at.get(placeOf(finding));
    const change = old === undefined ? null : rank(finding) - rank(old);
    const course: Course = change === null ? 'new' : change > 0 ? 'worse' : change < 0 ? 'better' : 'same';
    return { finding, course };
  });
  const seen = new Set(now.map(placeOf));
  const gone = before.filter((finding) => !seen.has(placeOf(finding))).map((finding) => ({ finding, course: 'gone' as const }));
  return [...still, ...gone];
}
