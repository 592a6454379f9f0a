import { constant } from './constant.js';

const hours = (value: number, low: number, high: number, source: string) => constant(value, [low, high], 'h', source);

/** How long strings last, by workshop practice: estimates, and wide ones, until an instrument has shown its own. */
export const WEAR = {
  plainSteel: hours(140, 60, 320, 'played until plain steel is rough or rusty'),
  woundSteel: hours(90, 40, 220, 'played until wound guitar, mandolin and banjo strings are dull'),
  woundBass: hours(300, 120, 800, 'played until wound bass strings no longer play in tune; some players prefer them so'),
  polymer: hours(170, 70, 380, 'played until nylon and its like is flat under the frets'),
  woundPolymer: hours(100, 45, 240, 'played until wraps over a floss core are dull or cut at the frets'),
  unplayed: constant(540, [270, 1100], 'd', 'until strings are tired that nobody plays: damp, rust, creep'),
  weeklyHours: constant(5, [1.5, 12], 'h', 'played in a week by somebody who was not asked'),
  /** Spreads of logarithms. */
  fromSetToSet: constant(0.25, [0.15, 0.4], '', 'how far one set of an instrument lasts longer or shorter than the other'),
  askedHours: constant(0.15, [0.1, 0.3], '', 'how well players know their own hours'),
  hoursInAYear: constant(0.35, [0.2, 0.6], '', 'how far the hours of a player change in a year'),
} as const;
