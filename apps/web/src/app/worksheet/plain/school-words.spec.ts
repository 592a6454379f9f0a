import { describe, expect, it } from 'vitest';
import { schoolsInForce } from '@gold-peg/craft/bench-run';
import type { AnchorKind } from '@gold-peg/craft/instrument';
import type { LayeredChoices } from '@gold-peg/craft/methods';
import { saySchool } from './school-words';

const said = (anchor: AnchorKind, choices: LayeredChoices = {}, blocked = false) =>
  saySchool(schoolsInForce({ bridge: { anchor, behindSaddle: 0 as never, tieHoles: 'single', cover: false } }, choices, blocked));

describe('the school in force, in words', () => {
  it('says how strings come off, in which order, whose choice it is and why', () => {
    expect(said('pins')).toBe(
      'Strings come off one at a time, low first (built in): neck and bridge stay loaded, and the old neighbour shows where things go.',
    );
    expect(said('pins', { house: { stripping: 'all-off', stringOrder: 'outside-in' } })).toMatch(
      /^Strings come off all together, outside in \(the house\): cleaning/,
    );
  });

  it('shows both reasons where the bridge does not allow what was chosen', () => {
    const words = said('hooked-tailpiece', { technician: { stripping: 'all-off' } });
    expect(words).toContain('the loose bridge stands only by tension');
    expect(words).toContain('all together was chosen (cleaning, oiling and fret work');
    expect(said('wrap-and-tuck')).not.toContain('was chosen');
    expect(said('floating-vibrato', { technician: { stripping: 'all-off' } }, true)).not.toContain('cannot be here');
  });
});
