import { Ear, trackPitch } from '@gold-peg/craft/pitch';
import { chanceFrom } from '@gold-peg/craft/simulated';
import { pluck } from '@gold-peg/craft/sound';
import { hertz } from '@gold-peg/craft/units';
import { meanOf, rootMeanSquare } from './chance.js';
import { NOTES, nothing, NOTHINGS, pluckIn, ROOMS, SAMPLE_RATE, type Room } from './takes.js';

export interface HeardIn {
  room: Room;
  takes: number;
  /** Takes of which nothing was logged. */
  missed: number;
  /** Takes whose logged value lies more than half a semitone off: an octave, a twelfth, another string. */
  wrong: number;
  /** Of what was logged, cents. */
  bias: number;
  rms: number;
}

/** How well plucks are heard in each kind of room, `each` takes per note, where the octave is known as it is at the bench. */
export function heardIn(rooms: readonly Room[], each: number): HeardIn[] {
  return rooms.map((room) => {
    const takes = NOTES.flatMap((note, nth) =>
      Array.from({ length: each }, (_, take) => ({ note, take: pluckIn(room, note, 1000 * nth + take) })),
    );
    const errors = takes.map(({ note, take }) => {
      const ear = new Ear(SAMPLE_RATE);
      ear.expect(hertz(note.pitch));
      const [first] = ear.hear(take.samples).flatMap(({ plucked }) => plucked ?? []);
      return first === undefined ? null : 1200 * Math.log2(first.frequency / take.pitch);
    });
    const logged = errors.filter((error) => error !== null);
    const right = logged.filter((error) => Math.abs(error) < 50);
    return {
      room,
      takes: takes.length,
      missed: takes.length - logged.length,
      wrong: logged.length - right.length,
      bias: meanOf(right),
      rms: rootMeanSquare(right),
    };
  });
}

export const heardEverywhere = (each: number): HeardIn[] => heardIn(ROOMS, each);

/** How many plucks are logged of what is none, kind by kind. */
export function falsePlucks(each: number): { kind: string; seconds: number; logged: number }[] {
  return NOTHINGS.map((kind) => {
    const takes = Array.from({ length: each }, (_, seed) => nothing(kind, seed));
    const logged = takes.flatMap((samples) => new Ear(SAMPLE_RATE).hear(samples)).filter(({ plucked }) => plucked !== null).length;
    return { kind, seconds: takes.reduce((sum, { length }) => sum + length / SAMPLE_RATE, 0), logged };
  });
}

/** By how much a string of constant pitch seems to move while it fades for three seconds, cents: the last frames against the first. */
export function driftsOfConstant(): { name: string; cents: number }[] {
  return NOTES.map(({ name, pitch, inharmonicity, ring }) => {
    const samples = pluck(
      { first: hertz(pitch), inharmonicity, at: 0.17, ring: 1.4 * ring, seconds: 3.6, sampleRate: SAMPLE_RATE },
      chanceFrom(5),
    );
    const frames = trackPitch({ samples, sampleRate: SAMPLE_RATE, targets: [hertz(pitch)], hop: 0.1 }).flatMap(({ heard }) => heard ?? []);
    const cents = frames.map(({ frequency }) => 1200 * Math.log2(frequency / pitch));
    return { name, cents: meanOf(cents.slice(-5)) - meanOf(cents.slice(0, 5)) };
  });
}
