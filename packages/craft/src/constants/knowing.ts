import { constant } from './constant.js';

const band = (value: number, low: number, high: number, source: string) => constant(value, [low, high], '%', source);

/** How far a pull that is computed may lie from the truth. */
export const BANDS = {
  plainSteel: band(0.5, 0.3, 0.8, 'density and diameter of drawn wire'),
  polymer: band(8, 5, 12, 'diameter under pull, and density, of smooth trebles'),
  weighed: band(1, 0.5, 2, 'an offcut on a scale that reads 0.01 g'),
  electric: band(3, 2, 5, 'published pulls against computed ones: cores are not published'),
  acoustic: band(3.5, 2, 5, 'the same'),
  mandolin: band(4, 3, 6, 'the same'),
  banjo: band(4, 3, 6, 'the same'),
  bass: band(5, 3, 8, 'the same'),
  classical: band(10, 6, 15, 'how full a floss core is, and its tension when wrapped'),
  ukulele: band(10, 6, 15, 'the same'),
} as const;

/** What is taken for granted before anything was measured: shares of one. */
export const BEFORE_MEASURING = {
  anotherOfThePacket: constant(0.06, [0.02, 0.1], '', 'how often the hand takes another string of the packet'),
  noneOfThePacket: constant(0.02, [0.005, 0.05], '', 'how often it takes one of another packet'),
  setOfNoTable: constant(0.1, [0.05, 0.2], '', 'instruments that carry strings of no set in the table'),
  mistakenKind: constant(0.01, [0.003, 0.03], '', 'a hurried look that takes a wound string for a plain one, or the other way'),
  sure: constant(0.9, [0.8, 0.95], '', 'from here on a string is called as planned'),
} as const;

/** Hearing a plucked string. */
export const HEARING = {
  excerpt: constant(0.34, [0.25, 0.5], 's', 'long enough to part the partials of the lowest bass, short enough for a pluck'),
  leastConfidence: constant(0.33, [0.25, 0.5], '', 'less of what sounds is no string'),
  steadyCents: constant(3, [2, 5], '¢', 'a string holds its pitch from frame to frame'),
  steadyFrames: constant(4, [3, 6], '', 'for so many frames'),
  fades: constant(0.5, [0.2, 2], 'dB/s', 'a plucked string fades by more'),
  onset: constant(9, [6, 15], 'dB', 'a pluck is louder by so much than what sounded just before'),
  silence: constant(-62, [-75, -50], 'dB', 'of full scale: softer is nothing, at any microphone'),
  again: constant(0.15, [0.1, 0.3], 's', 'no hand plucks the same string sooner'),
  rings: constant(0.5, [0.3, 1], 's', 'so long a pluck is waited for, before what sounds is taken for the room'),
  rises: constant(2, [1.5, 4], 'dB', 'plucked again: a motor holds its level from hop to hop'),
  motor: constant(5, [3, 10], 's', 'what holds its level for so long is no string'),
  attack: constant(0.08, [0.05, 0.12], 's', 'of a pluck, that bends its pitch'),
  loggedFrom: constant(0.3, [0.2, 0.4], 's', 'after the pluck: its transient is over'),
  loggedTo: constant(0.8, [0.6, 1.2], 's', 'after the pluck: short strings of high pitch still sound'),
  inHand: constant(0.6, [0.4, 0.8], '', 'the string whose peg is turned is the one that is plucked'),
  turnedBetween: constant(200, [100, 500], '¢', 'from one pluck of the string in hand to the next'),
  turnedFar: constant(0.3, [0.1, 0.5], '', 'a string that comes up from slack rises by an octave in a turn or two'),
  strays: constant(35, [15, 60], '¢', 'a string that nobody touches, as the others come up'),
  elsewhere: constant(0.005, [0.001, 0.02], '', 'what sounds is no string of this instrument'),
  moved: constant(0.05, [0.01, 0.15], '', 'somebody turned another peg meanwhile'),
  died: constant(3, [2, 6], 'dB', 'what is no louder than the room by more has died away'),
  sameNote: constant(60, [40, 90], '¢', 'a string that is heard twice without its peg being turned far'),
  guided: constant(0.8, [0.6, 0.95], '', 'share of the confidence at which what is expected is preferred to its octave'),
  slack: constant(-3600, [-4800, -2400], '¢', 'from its note: lower a string makes no note'),
  over: constant(300, [200, 600], '¢', 'from its note: higher no string is brought that was not heard before'),
  anySound: constant(7200, [4800, 9600], '¢', 'six octaves, in which whatever is no string may sound'),
  sure: constant(0.6, [0.5, 0.8], '', 'so sure, another string is taken in hand than the one that is'),
  mayBe: constant(0.15, [0.1, 0.3], '', 'so likely, a sound is taken for the string in hand where no other is sure'),
  mostInharmonicity: constant(2e-3, [1e-3, 3e-3], '', 'the stiffest bass strings'),
  typicalInharmonicity: constant(2e-4, [1e-5, 1e-3], '', 'before anything was heard'),
  spreadOfInharmonicity: constant(6e-4, [3e-4, 1e-3], '', 'how far it may lie off that'),
} as const;
