import { DENSITY, WINDING, type Wrap } from '../constants/index.js';
import { kilogramsPerCubicMetre, metres, type Metres } from '../units/index.js';
import type { StringSpec } from './string-spec.js';
import type { Layer } from './winding.js';

export const floss = kilogramsPerCubicMetre(DENSITY.flossYarn.value);

/** A ribbon is a few times as wide as it is thick; its mass does not depend on how many. */
const RIBBON_WIDTHS = 3;

/** Layers that fill `room`, the winding on one side of the core, finished as the string is. */
export function layersOf({ finish = 'round', layers = 1, silk = false }: StringSpec, room: Metres, wrap: Wrap): Layer[] {
  const density = kilogramsPerCubicMetre(DENSITY[wrap].value);
  const silkRoom = silk ? room * WINDING.silkShare.value : 0;
  const left = room - silkRoom;
  const wires = (count: number, of: number): Layer[] =>
    Array.from({ length: count }, () => ({ type: 'round', wire: metres(of / count), density }));
  const under: Layer[] = silk
    ? [{ type: 'round', wire: metres(silkRoom), density: kilogramsPerCubicMetre(floss * WINDING.flossFill.value) }]
    : [];
  switch (finish) {
    case 'round':
      return [...under, ...wires(layers, left)];
    case 'flat': {
      const thickness = left * WINDING.ribbonShare.value;
      const ribbon: Layer = { type: 'flat', thickness: metres(thickness), width: metres(RIBBON_WIDTHS * thickness), density };
      return [...under, ...wires(Math.max(1, layers - 1), left - thickness), ribbon];
    }
    case 'half-round': {
      const wire = left / (layers - WINDING.groundShare.value);
      const ground: Layer = { type: 'ground', wire: metres(wire), ground: metres(wire * WINDING.groundShare.value), density };
      return [...under, ...wires(layers - 1, wire * (layers - 1)), ground];
    }
  }
}
