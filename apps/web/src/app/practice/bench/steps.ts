import { slackForLift } from '@gold-peg/craft/post';
import { anchorWays, isLoose, type Act, type Wound } from '@gold-peg/craft/restring';
import { fromMillimetres } from '@gold-peg/craft/units';
import { ANCHOR_WORDS } from './bench-words';
import { turnsOn } from '../../preferences/measures';
import type { SimulatedBench } from './simulated-bench';

/** One thing that can be done now, and the key that does it. */
export interface Step {
  key: string;
  says: string;
  does: () => void;
}

/** What stands in the panel: what is asked, the main thing (Space), and what else can be done. */
export interface Steps {
  asks: string;
  main: Step | null;
  others: readonly Step[];
}

/** From so near its note it is stretched, not turned. */
const NEAR_CENTS = 15;
const LETTERS = ['A', 'S', 'D'];

/** What can be done with the string in hand as it stands. */
export function stepsOf(bench: SimulatedBench): Steps {
  const [string, on] = [bench.inHand(), bench.on()];
  const does = (key: string, says: string, act: Act): Step => ({ key, says, does: () => bench.do(act) });
  const cut = does('X', 'cut it', { do: 'cut', string });
  switch (on.at) {
    case 'old':
      if (bench.now().nutShut)
        return {
          asks: 'The nut is shut: pegs do not reach the strings.',
          main: does('Space', 'Open the nut', { do: 'nut', on: false }),
          others: [cut],
        };
      return isLoose(bench.restring(), bench.now(), string)
        ? { asks: `String ${string + 1} is let down.`, main: does('Space', 'Take it off', { do: 'take-off', string }), others: [cut] }
        : { asks: `String ${string + 1} is old, and up.`, main: does('Space', 'Let it down', { do: 'slacken', string }), others: [cut] };
    case 'cut':
      return {
        asks: `What is left of string ${string + 1} is still on.`,
        main: does('Space', 'Take off what is left', { do: 'take-off', string }),
        others: [],
      };
    case 'off':
      return { asks: `How is the end of string ${string + 1} fixed?`, main: null, others: endsOf(bench) };
    case 'anchored':
      return threading(bench);
    case 'wound':
      return on.taut ? comingUp(bench, on) : slack(bench, on);
  }
}

/** In an order of its own for each string, so that the first is not always right. */
function endsOf(bench: SimulatedBench): Step[] {
  const { instrument, seed } = bench.restring();
  const string = bench.inHand();
  const ways = anchorWays(instrument.bridge.anchor);
  return ways.map((_, place) => {
    const { id } = ways[(place + seed + string) % ways.length] ?? { id: '' };
    return { key: LETTERS[place] ?? '', says: ANCHOR_WORDS[id] ?? id, does: () => bench.do({ do: 'anchor', string, way: id }) };
  });
}

function threading(bench: SimulatedBench): Steps {
  const [string, direction] = [bench.inHand(), bench.direction()];
  const slackLeft = slackForLift(fromMillimetres(bench.liftMm()), bench.to().scale);
  const way = (key: string, to: 'anticlockwise' | 'clockwise', mark: string): Step => ({
    key,
    says: `${direction === to ? '✓ ' : ''}winds up ${to} ${mark}`,
    does: () => bench.direction.set(to),
  });
  return {
    asks: `Leave slack for ${turnsOn(bench.to().plan.wind.turns)} turns of string ${string + 1}: lift it at fret 12. Which way does its post turn?`,
    main:
      direction === null
        ? null
        : { key: 'Space', says: 'That is it: hold it there', does: () => bench.do({ do: 'thread', string, slack: slackLeft, direction }) },
    others: [way('A', 'anticlockwise', '↺'), way('S', 'clockwise', '↻')],
  };
}

function slack(bench: SimulatedBench, on: Wound): Steps {
  const string = bench.inHand();
  const turn = (key: string, says: string, turns: number): Step => ({ key, says, does: () => bench.do({ do: 'turn', string, turns }) });
  const guided = bench.now().guided ? 'Your hand guides it.' : 'No hand guides it.';
  return {
    asks: `String ${string + 1} hangs slack. ${guided}`,
    main: turn('Space', 'Wind until it is straight', on.state.button - on.button),
    others: [
      ...(on.button > 0 ? [turn('⌫', 'unwind it', -on.button)] : []),
      { key: 'R', says: 'take it off again', does: () => bench.do({ do: 'take-off', string }) },
    ],
  };
}

function comingUp(bench: SimulatedBench, on: Wound): Steps {
  const string = bench.inHand();
  const does = (key: string, says: string, act: Act): Step => ({ key, says, does: () => bench.do(act) });
  const [holds, trim] = [does('J', 'it holds', { do: 'judge', string }), does('V', 'cut its tail, 3 mm left', { do: 'trim', string })];
  const flush = does('G', 'cut it flush', { do: 'trim', string, flush: true });
  const stretch = (key: string): Step => does(key, 'Stretch it once', { do: 'stretch', string });
  const others = [
    ...(on.judged ? [] : [holds]),
    ...(on.trimmed || on.judged ? [] : [trim]),
    ...(on.trimmed ? [] : [flush]),
    ...(on.laid.includes(false) && !on.trimmed ? [backToCrossing(bench, on)] : []),
    isLoose(bench.restring(), bench.now(), string)
      ? does('R', 'take it off again', { do: 'take-off', string })
      : does('R', 'let it down', { do: 'slacken', string }),
  ];
  const off = bench.cents()[string] ?? null;
  const near = off !== null && Math.abs(off) < NEAR_CENTS;
  if (on.judged && on.trimmed)
    return { asks: `String ${string + 1} is done${near ? '' : ', and off its note'}.`, main: onward(bench), others };
  if (on.judged)
    return { asks: `String ${string + 1} holds, you say.`, main: { ...trim, key: 'Space', says: 'Cut its tail, 3 mm left' }, others };
  if (near && bench.tells() === 'tuner')
    return { asks: `String ${string + 1} is at its note. What does a round cost?`, main: stretch('Space'), others };
  const { note } = bench.to();
  return {
    asks: `Bring string ${string + 1} to ${note.toFixed(0)} Hz, from below.`,
    main: does('Space', 'Pluck it', { do: 'pluck', string }),
    others: [{ ...stretch('W'), says: 'stretch it once' }, ...others],
  };
}

/** What is left once a string is done: the next one, a block that is still under the bridge, a nut that is open. */
function onward(bench: SimulatedBench): Step | null {
  const { strings, blocked, nutShut } = bench.now();
  const next = strings.findIndex((each) => !(each.at === 'wound' && each.judged && each.trimmed));
  if (next >= 0) return { key: 'Space', says: `On to string ${next + 1}`, does: () => bench.take(next) };
  if (blocked) return { key: 'Space', says: 'Take the block out', does: () => bench.do({ do: 'block', on: false }) };
  const locks = bench.restring().instrument.bridge.anchor === 'double-locking';
  return locks && !nutShut ? { key: 'Space', says: 'Shut the nut', does: () => bench.do({ do: 'nut', on: true }) } : null;
}

/** Back to before the turn that crosses, to lay it anew. */
function backToCrossing(bench: SimulatedBench, on: Wound): Step {
  const { gearRatio } = bench.restring().instrument;
  const turns = on.laid.indexOf(false) * gearRatio - on.state.button;
  return { key: '⌫', says: 'back to the crossing', does: () => bench.do({ do: 'turn', string: bench.inHand(), turns }) };
}
