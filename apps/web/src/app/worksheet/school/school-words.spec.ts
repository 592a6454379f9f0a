import { describe, expect, it } from 'vitest';
import { schoolsInForce, stretchingInForce } from '@gold-peg/craft/bench-run';
import type { AnchorKind } from '@gold-peg/craft/instrument';
import type { LayeredChoices } from '@gold-peg/craft/methods';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import { saySchool, sayStretching } from './school-words';

const said = (anchor: AnchorKind, choices: LayeredChoices = {}, blocked = false) =>
  saySchool(
    schoolsInForce({ bridge: { anchor, behindSaddle: 0 as never, tieHoles: 'single', cover: false, vibrato: false } }, choices, blocked),
    choices,
  );

describe('the school in force, in words', () => {
  it('says how strings come off, in which order, whose choice it is and why', () => {
    expect(said('pins')).toBe(
      'Strings come off one at a time, low first (built in): neck and bridge stay loaded, and the old neighbour shows where things go.',
    );
    const told = said('pins', { house: { stripping: 'all-off', stringOrder: 'outside-in' } });
    expect(told).toMatch(/^Strings come off all together, outside in \(the house\): cleaning/);
  });

  it('shows both reasons where the bridge does not allow what was chosen', () => {
    const words = said('hooked-tailpiece', { technician: { stripping: 'all-off' } });
    expect(words).toContain('the loose bridge stands only by tension');
    expect(words).toContain('all together was chosen (cleaning, oiling and fret work');
    expect(said('wrap-and-tuck')).not.toContain('was chosen');
    expect(said('floating-vibrato', { technician: { stripping: 'all-off' } }, true)).not.toContain('cannot be here');
  });

  it('shows both reasons where you and the house disagree', () => {
    const words = said('pins', { technician: { stripping: 'one-at-a-time' }, house: { stripping: 'all-off' } });
    expect(words).toMatch(/one at a time, low first \(you\): neck and bridge stay loaded/);
    expect(words).toContain('The house would have it all together: cleaning');
    expect(said('pins', { technician: { stripping: 'all-off' }, house: { stripping: 'all-off' } })).not.toContain('would have it');
  });

  it('says the same of stretching', () => {
    const stretched = (id: string, choices: LayeredChoices, soft = false) =>
      sayStretching(stretchingInForce(instrumentOf(id), choices, soft), choices);
    expect(stretched('bass-in-line', {})).toBe('New strings are pulled at the nodes (built in): the string keeps its bright sound.');
    expect(stretched('mandolin', { technician: { stretching: 'sideways' } })).toMatch(
      /^New strings are twisted, as this instrument asks for: a small body.*shifted sideways was chosen \(it spares frets and bridge\), but cannot be here\.$/,
    );
    const found = stretched('acoustic-large', { technician: { stretching: 'along' }, house: { stretching: 'light' } });
    expect(found).toContain('The house would have it lightly or not: overstretching ruins a string');
  });
});
