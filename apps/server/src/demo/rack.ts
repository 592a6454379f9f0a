import type { Finding, MeasureKind, PadLies } from '@gold-peg/craft/findings';
import type { Hand } from '@gold-peg/craft/instrument';
import type { MethodChoices } from '@gold-peg/craft/methods';
import type { ToolKind } from '@gold-peg/craft/tools';

/** What hangs in the rack of a small workshop in the harbour town of Quillhaven in the week before its folk festival. */
export interface RackEntry {
  passport: number;
  name: string;
  archetypeId: string;
  hand?: Hand;
  owner: string;
  remark: string;
  /** Played in a week, h, where its player was asked. */
  weeklyHours?: number;
  /** Ways of this instrument alone. */
  methods?: MethodChoices;
  /** Past restrings: days ago, and the gauges of the set at both ends. */
  past: readonly PastRestring[];
  /** Open job: hours until it is promised, or null where the owner can wait. */
  job?: { reason: string; takenInHoursAgo: number; promisedInHours: number | null };
}

export interface PastRestring {
  daysAgo: number;
  set: string;
  remark: string;
  /** Turns that were counted for each one planned, where somebody counted: posts of this one are thicker or thinner than usual. */
  counted?: number;
  found?: readonly (Partial<Finding> & Pick<Finding, 'what'>)[];
  /** As it came in, and as it went home. */
  measured?: Partial<Record<MeasureKind, number>>;
  left?: Partial<Record<MeasureKind, number>>;
  /** Strings that were replaced, where it was not the whole set. */
  only?: readonly number[];
  /** Which way the pads of a locking nut lay, clamp by clamp. */
  pads?: readonly PadLies[];
  sizes?: Partial<Record<ToolKind, number>>;
}

export const OWNERS: readonly { name: string; contact: string }[] = [
  { name: 'Tamsel Orre', contact: 'tamsel@quillhaven.example' },
  { name: 'Bram Isleworthy', contact: 'berth 4, the old quay' },
  { name: 'The Lantern Ceilidh Band', contact: 'lantern@quillhaven.example' },
  { name: 'Perrin Saltash-Gow', contact: 'perrin@quillhaven.example' },
  { name: 'Odile Fennimarsh', contact: 'school house, Tern Lane' },
  { name: 'Jessamy Roke', contact: 'jessamy@quillhaven.example' },
  { name: 'Quillhaven School', contact: 'music room' },
  { name: 'Rafe Tollgate', contact: 'rafe@quillhaven.example' },
  { name: 'Isolde Marrack', contact: 'isolde@quillhaven.example' },
];

export const RACK: readonly RackEntry[] = [
  {
    passport: 98,
    name: 'Almery classical, cedar',
    archetypeId: 'classical',
    owner: 'Odile Fennimarsh',
    remark: 'Low pull only: the owner has small hands.',
    past: [
      { daysAgo: 402, set: '.028–.043', remark: '' },
      { daysAgo: 167, set: '.027–.042', remark: 'Owner prefers the lower pull.' },
    ],
    job: { reason: 'Trebles dull, opening concert', takenInHoursAgo: 20, promisedInHours: 52 },
  },
  {
    passport: 104,
    name: 'Brindle six, sea green',
    archetypeId: 'electric-in-line',
    owner: 'Perrin Saltash-Gow',
    remark: '',
    past: [
      { daysAgo: 640, set: '.009–.042', remark: '' },
      { daysAgo: 331, set: '.010–.046', remark: 'First set of this gauge; slots eased.' },
      { daysAgo: 92, set: '.010–.046', remark: '' },
    ],
    job: { reason: 'Broke string 1 at rehearsal; whole set', takenInHoursAgo: 3, promisedInHours: 27 },
  },
  {
    passport: 109,
    name: 'Longshore four, oxblood',
    archetypeId: 'bass-in-line',
    owner: 'The Lantern Ceilidh Band',
    remark: 'Third string has no tree: watch the break angle.',
    past: [{ daysAgo: 515, set: '.045–.105 nickel', remark: 'Open A rang oddly until it had four turns.' }],
    job: { reason: 'No longer plays in tune above fret 12', takenInHoursAgo: 26, promisedInHours: 31 },
  },
  {
    passport: 112,
    name: 'Cutwater mandolin, oval hole',
    archetypeId: 'mandolin',
    owner: 'The Lantern Ceilidh Band',
    remark: 'Loose bridge: its place is marked in pencil on tape.',
    past: [
      { daysAgo: 210, set: '.011–.040', remark: '' },
      {
        daysAgo: 71,
        set: '.011–.040',
        remark: '',
        found: [{ what: 'board-dry', severity: 'watch', wood: 'ebony' }],
        measured: { 'bridge-place-treble': 177.5, 'bridge-place-bass': 180.5, 'action-treble': 1.5, 'action-bass': 2 },
      },
    ],
    job: { reason: 'Rust on the trebles, opening concert', takenInHoursAgo: 22, promisedInHours: 54 },
  },
  {
    passport: 115,
    name: 'Pipit concert ukulele, mahogany',
    archetypeId: 'ukulele-concert',
    owner: 'Jessamy Roke',
    remark: '',
    past: [{ daysAgo: 288, set: '.024 .032', remark: '' }],
    job: { reason: 'Wants fluorocarbon, children’s concert', takenInHoursAgo: 5, promisedInHours: 50 },
  },
  {
    passport: 117,
    name: 'Heron parlour, walnut',
    archetypeId: 'acoustic-parlour',
    owner: 'Tamsel Orre',
    remark: 'Pins are a tight fit in holes 1 and 2.',
    methods: { stripping: 'all-off' }, // its frets are looked at
    past: [
      { daysAgo: 565, set: '.012–.053', remark: '' },
      { daysAgo: 298, set: '.011–.052 phosphor', remark: 'Tried lighter for the winter.', counted: 0.95 },
      {
        daysAgo: 118,
        set: '.011–.052 phosphor',
        remark: '',
        counted: 0.93,
        found: [
          { what: 'groove', severity: 'watch', string: 1, fret: 2 },
          { what: 'groove', severity: 'watch', string: 2, fret: 3 },
          { what: 'board-dry', severity: 'soon', wood: 'rosewood' },
          { what: 'pin-worn', severity: 'watch', string: 6 },
        ],
        measured: { relief: 0.18, 'action-treble': 1.9, 'action-bass': 2.4 },
      },
    ],
    job: { reason: 'Dull; back to the heavier set for the festival', takenInHoursAgo: 6, promisedInHours: 9 },
  },
  {
    passport: 120,
    name: 'Drumlin five-string banjo',
    archetypeId: 'banjo-five-string',
    owner: 'Bram Isleworthy',
    remark: '',
    past: [{ daysAgo: 190, set: '.010 .011', remark: '' }],
    job: { reason: 'Fifth peg slips; new set first, then look', takenInHoursAgo: 28, promisedInHours: 47 },
  },
  {
    passport: 121,
    name: 'Heron parlour, spruce',
    archetypeId: 'acoustic-parlour',
    owner: 'Bram Isleworthy',
    remark: '',
    weeklyHours: 5.5,
    past: [
      {
        daysAgo: 724,
        set: '.012–.053',
        remark: '',
        measured: { relief: 0.21, 'action-bass': 2.42, 'action-treble': 1.7 },
        left: { relief: 0.2, 'action-bass': 2.4, 'action-treble': 1.7 },
        found: [{ what: 'pin-worn', severity: 'soon', string: 6 }],
      },
      {
        daysAgo: 525,
        set: '.012–.053',
        remark: '',
        measured: { relief: 0.26, 'action-bass': 2.54, 'action-treble': 1.8 },
        left: { relief: 0.22, 'action-bass': 2.44, 'action-treble': 1.75 },
        found: [{ what: 'groove', severity: 'watch', string: 2, fret: 3 }],
      },
      {
        daysAgo: 322,
        set: '.011–.052 phosphor',
        remark: 'Lighter for the winter.',
        found: [
          { what: 'groove', severity: 'watch', string: 2, fret: 3 },
          { what: 'slot-binds', severity: 'soon', string: 3 },
          { what: 'board-dry', severity: 'soon', wood: 'rosewood' },
        ],
        measured: { 'action-bass': 2.5, 'action-treble': 1.8 },
        left: { 'action-bass': 2.34, 'action-treble': 1.65 },
      },
      {
        daysAgo: 157,
        set: '.012–.053',
        remark: 'Back to the heavier set.',
        measured: { relief: 0.17, 'action-bass': 2.36, 'action-treble': 1.7 },
        left: { relief: 0.2, 'action-bass': 2.42, 'action-treble': 1.75 },
        found: [{ what: 'groove', severity: 'soon', string: 2, fret: 3 }],
      },
      { daysAgo: 79, set: '.012–.053', remark: 'Broke on the quay.', only: [1] },
    ],
  },
  {
    passport: 126,
    name: 'Cutwater mandolin, teardrop',
    archetypeId: 'mandolin',
    owner: 'Odile Fennimarsh',
    remark: '',
    past: [{ daysAgo: 230, set: '.010–.034', remark: '' }],
    job: { reason: 'Practice instrument, whenever there is time', takenInHoursAgo: 70, promisedInHours: null },
  },
  {
    passport: 131,
    name: 'Pipit concert ukulele, sycamore',
    archetypeId: 'ukulele-concert',
    owner: 'Quillhaven School',
    remark: '',
    past: [{ daysAgo: 420, set: '.024 .032', remark: '' }],
    job: { reason: 'String 3 broken; wanted for the school stall', takenInHoursAgo: 2, promisedInHours: 26 },
  },
  {
    passport: 133,
    name: 'Almery classical, student',
    archetypeId: 'classical',
    owner: 'Quillhaven School',
    remark: 'Tie block slightly worn at hole 4.',
    past: [{ daysAgo: 610, set: '.028–.043', remark: '' }],
  },
  {
    passport: 140,
    name: 'Brindle six, tar black',
    archetypeId: 'electric-in-line',
    owner: 'Jessamy Roke',
    remark: '',
    past: [{ daysAgo: 60, set: '.009–.042', remark: '', counted: 1.06 }],
  },
  {
    passport: 143,
    name: 'Tidewrack headless, slate',
    archetypeId: 'electric-headless',
    owner: 'Perrin Saltash-Gow',
    remark: 'Eraser under the bridge while strings are off.',
    past: [{ daysAgo: 130, set: '.010–.046 nickel', remark: '' }],
    job: { reason: 'Thinnest string slips in its clamp', takenInHoursAgo: 9, promisedInHours: 44 },
  },
  {
    passport: 146,
    name: 'Heron twelve, cherry',
    archetypeId: 'acoustic-twelve',
    owner: 'The Lantern Ceilidh Band',
    remark: '',
    past: [{ daysAgo: 250, set: '.008–.047', remark: '' }],
    job: { reason: 'Two octave strings gone; wanted for the festival', takenInHoursAgo: 12, promisedInHours: 49 },
  },
  {
    passport: 148,
    name: 'Brindle left, chalk',
    archetypeId: 'electric-in-line',
    hand: 'left',
    owner: 'Jessamy Roke',
    remark: 'Left-handed, made so.',
    past: [{ daysAgo: 77, set: '.010–.046 nickel', remark: '' }],
  },
  {
    passport: 151,
    name: 'Longshore five, kelp',
    archetypeId: 'bass-five',
    owner: 'The Lantern Ceilidh Band',
    remark: 'Retainer bar over all five.',
    past: [{ daysAgo: 390, set: '.045–.130 nickel', remark: '' }],
  },
  {
    passport: 152,
    name: 'Gannet locking six, rust',
    archetypeId: 'electric-double-locking',
    owner: 'Perrin Saltash-Gow',
    remark: 'Block the vibrato before all strings come off.',
    past: [
      {
        daysAgo: 45,
        set: '.009–.042 nickel',
        remark: '',
        measured: { 'bridge-level': 3.2 },
        pads: ['along', 'along', 'across'],
        sizes: { block: 11.5, 'hex-keys': 3 },
      },
    ],
  },
  {
    passport: 155,
    name: 'Pipit soprano, pear',
    archetypeId: 'ukulele-soprano',
    owner: 'Quillhaven School',
    remark: 'Friction pegs: screws are set firm.',
    past: [{ daysAgo: 300, set: '.020 .025', remark: '' }],
    job: { reason: 'Pegs creep back; new set, then look at the screws', takenInHoursAgo: 30, promisedInHours: 51 },
  },
  {
    passport: 158,
    name: 'Gannet seven, multiscale',
    archetypeId: 'electric-seven',
    owner: 'Bram Isleworthy',
    remark: '',
    past: [{ daysAgo: 20, set: '.010–.059', remark: '' }],
  },
  {
    passport: 164,
    name: 'Brindle six, dune',
    archetypeId: 'electric-in-line-locking',
    owner: 'Jessamy Roke',
    remark: 'The owner dips the arm a good deal.',
    past: [{ daysAgo: 96, set: '.009–.042', remark: 'Bridge level, three springs.', measured: { 'bridge-level': 3 } }],
    job: { reason: 'Wants .010–.046 on it, bridge level again', takenInHoursAgo: 26, promisedInHours: 50 },
  },
];

interface OnTheBench {
  passport: number;
  set: string;
  beganHoursAgo: number;
  /** Strings that are wound. */
  wound: readonly number[];
  /** They are at pitch too. */
  up: boolean;
}

/** Jobs whose set was chosen when they came in: for one of them nothing lies on the shelf. */
export const CHOSEN: readonly { passport: number; set: string }[] = [{ passport: 168, set: '.030–.130' }];

/** Jobs that are on the bench when the demo begins, and how far they have come: one at Wind, one with a heavier set on a bridge that floats. */
export const ON_THE_BENCH: readonly OnTheBench[] = [
  { passport: 117, set: '.012–.053', beganHoursAgo: 0.6, wound: [6, 5], up: false },
  { passport: 164, set: '.010–.046', beganHoursAgo: 1.4, wound: [6, 5, 4, 3, 2, 1], up: true },
];
