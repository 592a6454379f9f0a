import { expect, it } from 'vitest';
import { instrumentOf } from '@gold-peg/craft/archetypes';
import type { StringPlace } from '@gold-peg/craft/instrument';
import { layOutPost } from './winding-layout';

const parlour = instrumentOf('acoustic-parlour');
const [treble, bass] = [parlour.strings[0], parlour.strings[5]] as [StringPlace, StringPlace];

it('lays trebles above the centre line, below it on the mirror image', () => {
  expect(layOutPost(treble, 'right', null, null).postY).toBeLessThan(125);
  expect(layOutPost(bass, 'right', null, null).postY).toBeGreaterThan(125);
  expect(layOutPost(treble, 'left', null, null).postY).toBeGreaterThan(125);
});

it('draws nothing before it was answered; then the string leaves on the side toward the centre, and on the other where that was said', () => {
  expect(layOutPost(bass, 'right', null, null).drawn).toBeNull();
  const { postY, drawn } = layOutPost(bass, 'right', 'anticlockwise', 'clockwise');
  expect(drawn?.right.y).toBeLessThan(postY); // up, toward the centre line
  expect(drawn?.yours?.y).toBeGreaterThan(postY);
  const { drawn: clockwise } = layOutPost(treble, 'right', 'clockwise', 'clockwise');
  expect(clockwise?.yours).toBeNull();
  expect(clockwise?.right.y).toBeGreaterThan(layOutPost(treble, 'right', null, null).postY);
});
