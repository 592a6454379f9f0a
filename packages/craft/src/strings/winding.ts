import { WINDING } from '../constants/index.js';
import { done, refused, requirePositive, type Outcome } from '../outcome/index.js';
import { kilogramsPerMetre, metres, type KilogramsPerCubicMetre, type KilogramsPerMetre, type Metres } from '../units/index.js';

/** A hex core is measured across its flats. `fill` is the solid share of a floss core. */
export interface Core {
  shape: 'round' | 'hex' | 'floss';
  diameter: Metres;
  density: KilogramsPerCubicMetre;
  fill?: number;
}

export type Layer =
  | { type: 'round'; wire: Metres; density: KilogramsPerCubicMetre }
  | { type: 'flat'; thickness: Metres; width: Metres; density: KilogramsPerCubicMetre }
  | { type: 'ground'; wire: Metres; ground: Metres; density: KilogramsPerCubicMetre };

export interface Winding {
  linearDensity: KilogramsPerMetre;
  outerDiameter: Metres;
}

export type WindingProblem =
  | { kind: 'layer-does-not-close'; layer: number; width: Metres; seat: Metres }
  | { kind: 'ground-away'; layer: number; ground: Metres; wire: Metres };

/** Corners of a hexagon lie 2/√3 of its width across flats apart; the first layer seats half way between flats and corners. */
const HEX_SEAT = (1 + 2 / Math.sqrt(3)) / 2;

/** Area that carries load and mass, m². A hexagon of width a across flats has √3/2 · a². */
export function coreArea({ shape, diameter, fill }: Pick<Core, 'shape' | 'diameter' | 'fill'>): number {
  if (shape === 'hex') return (Math.sqrt(3) / 2) * diameter ** 2;
  const circle = (Math.PI / 4) * diameter ** 2;
  return shape === 'floss' ? circle * (fill ?? WINDING.flossFill.value) : circle;
}

/** Diameter on which the first layer lies. */
export const coreSeat = ({ shape, diameter }: Pick<Core, 'shape' | 'diameter'>): Metres =>
  metres(shape === 'hex' ? HEX_SEAT * diameter : diameter);

/**
 * Linear density and overall diameter of a core with any number of close-wound layers added outward. A wire of width w over a seat s
 * makes π(s + w)/w of its own length per length of string: exact on the unrolled helix, and possible only while π(s + w) > w.
 * `pack` multiplies the mass of the layers.
 */
export function windString(core: Core, layers: readonly Layer[], pack = 1): Outcome<Winding, WindingProblem> {
  requirePositive({ coreDiameter: core.diameter, coreDensity: core.density, pack });
  let seat = coreSeat(core);
  let wrapMass = 0;
  for (const [index, layer] of layers.entries()) {
    const across = layer.type === 'flat' ? layer.width : layer.wire;
    const height = layer.type === 'flat' ? layer.thickness : layer.wire;
    requirePositive({ layerWidth: across, layerHeight: height, layerDensity: layer.density });
    if (Math.PI * (seat + height) <= across) {
      return refused({ kind: 'layer-does-not-close', layer: index, width: across, seat });
    }
    if (layer.type === 'ground' && !(layer.ground >= 0 && layer.ground < layer.wire)) {
      return refused({ kind: 'ground-away', layer: index, ground: layer.ground, wire: layer.wire });
    }
    wrapMass += layer.density * sectionPerLength(layer, seat);
    seat = metres(seat + 2 * (layer.type === 'ground' ? layer.wire - layer.ground : height));
  }
  const mass = core.density * coreArea(core) + pack * wrapMass;
  return done({ linearDensity: kilogramsPerMetre(mass), outerDiameter: seat });
}

/** Volume of wrap per length of string, m²: section times the length of its centroid's path (Pappus), over the pitch. */
function sectionPerLength(layer: Layer, seat: Metres): number {
  if (layer.type === 'flat') {
    return Math.PI * (seat + layer.thickness) * layer.thickness * WINDING.ribbonEdgeFill.value;
  }
  const { wire } = layer;
  const mid = seat + wire;
  const whole = (Math.PI / 4) * wire ** 2 * mid;
  const taken = layer.type === 'ground' ? groundMoment(wire, layer.ground, mid) : 0;
  return (Math.PI / wire) * (whole - taken);
}

/**
 * Area of the ground-off segment times the diameter of its centroid's circle. Written with the segment's first moment,
 * 2/3 (r sin θ)³, so that nothing divides by an area that tends to zero.
 */
function groundMoment(wire: Metres, ground: Metres, mid: number): number {
  const radius = wire / 2;
  const half = Math.acos((radius - ground) / radius);
  const area = radius ** 2 * (half - Math.sin(half) * Math.cos(half));
  return area * mid + 2 * (2 / 3) * (radius * Math.sin(half)) ** 3;
}
