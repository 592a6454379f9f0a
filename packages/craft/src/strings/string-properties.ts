import { BANDS, type Constant, CREEP, DENSITY, STRENGTH, WINDING, type Wrap, YOUNGS_MODULUS } from '../constants/index.js';
import { done, refused, requirePositive, type Outcome } from '../outcome/index.js';
import { bisect } from '../solve/index.js';
import {
  fromGigapascals,
  fromMegapascals,
  kilogramsPerCubicMetre,
  kilogramsPerMetre,
  metres,
  type KilogramsPerMetre,
  type Metres,
} from '../units/index.js';
import { coreFromGauge } from './core-from-gauge.js';
import { musicWireStrength, steelModulus } from './steel.js';
import { floss, layersOf } from './layers.js';
import type { MassBasis, StringProperties, StringSpec } from './string-spec.js';
import type { Family } from '../string-kinds/index.js';
import { coreArea, coreSeat, windString, type Core } from './winding.js';

export type StringProblem =
  | { kind: 'core-not-inside'; seat: Metres; gauge: Metres }
  | { kind: 'no-usual-core'; share: number; gauge: Metres }
  | { kind: 'layer-does-not-close'; gauge: Metres; seat: Metres };

const POLYMER = {
  nylon: {
    density: DENSITY.nylon612,
    modulus: YOUNGS_MODULUS.nylonWindingUp,
    atPitch: YOUNGS_MODULUS.nylonAtPitch,
    strength: STRENGTH.nylon,
    creep: CREEP.nylon,
  },
  fluorocarbon: {
    density: DENSITY.fluorocarbon,
    modulus: YOUNGS_MODULUS.fluorocarbonWindingUp,
    atPitch: YOUNGS_MODULUS.fluorocarbonAtPitch,
    strength: STRENGTH.fluorocarbon,
    creep: CREEP.fluorocarbon,
  },
  gut: { density: DENSITY.gut, modulus: YOUNGS_MODULUS.gut, atPitch: YOUNGS_MODULUS.gut, strength: STRENGTH.gut, creep: CREEP.gut },
} as const;

interface Polymer {
  modulus: Constant;
  atPitch: Constant;
  strength: Constant;
  creep: Constant;
}
const FLOSS: Polymer = { modulus: YOUNGS_MODULUS.floss, atPitch: YOUNGS_MODULUS.floss, strength: STRENGTH.floss, creep: CREEP.floss };

/** Wrap that a family is usually wound with. */
export function usualWrap(family: Family): Wrap {
  if (family === 'classical' || family === 'ukulele') return 'silverPlatedCopper';
  return family === 'acoustic' || family === 'mandolin' ? 'phosphorBronze' : 'nickelPlatedSteel';
}

/**
 * Mass, stiffness and strength of a string from its gauge and construction: plain μ = ρπd²/4; wound as one close-wound layer between core and
 * gauge, which weighs the same as two that fill the same room. Load and stretch are the core's alone.
 */
export function stringProperties(spec: StringSpec): Outcome<StringProperties, StringProblem> {
  requirePositive({ gauge: spec.gauge });
  if (spec.construction === 'wound') return woundProperties(spec);
  return done(spec.construction === 'plain' ? plainProperties(spec) : polymerProperties(spec, POLYMER[spec.construction]));
}

function plainProperties(spec: StringSpec): StringProperties {
  const area = coreArea({ shape: 'round', diameter: spec.gauge });
  return {
    ...common(spec, DENSITY.plainSteel.value * area, BANDS.plainSteel.value),
    ...steelLoad(spec.gauge, area),
    core: null,
    basis: basisOf(spec),
  };
}

function polymerProperties(spec: StringSpec, polymer: Polymer & { density: Constant }): StringProperties {
  const area = coreArea({ shape: 'round', diameter: spec.gauge });
  return {
    ...common(spec, polymer.density.value * area, BANDS.polymer.value),
    ...polymerLoad(polymer, area),
    core: null,
    basis: basisOf(spec),
  };
}

function woundProperties(spec: StringSpec): Outcome<StringProperties, StringProblem> {
  const guess = spec.core === undefined ? coreFromGauge(spec.family, spec.gauge) : { kind: 'core' as const, diameter: spec.core };
  if (guess.kind === 'no-usual-core') return refused({ kind: 'no-usual-core', share: guess.share, gauge: spec.gauge });
  const diameter =
    spec.core === undefined && spec.linearDensity !== undefined ? coreFromMass(spec, spec.linearDensity, guess.diameter) : guess.diameter;
  const core = coreOf(spec, diameter);
  const built = massOf(spec, core);
  if (!built.ok) return built;
  const area = coreArea(core);
  return done({
    ...common(spec, built.value, BANDS[spec.family].value),
    ...(core.shape === 'floss' ? polymerLoad(FLOSS, area) : steelLoad(diameter, area)),
    core: diameter,
    basis: basisOf(spec),
  });
}

function basisOf({ construction, core, linearDensity, finish = 'round', layers = 1, silk = false }: StringSpec): MassBasis {
  const weighed = linearDensity !== undefined;
  if (construction !== 'wound') return { weighed, core: 'whole', winding: null };
  return { weighed, core: core !== undefined ? 'given' : weighed ? 'from-mass' : 'usual', winding: { finish, layers, silk } };
}

type Load = Pick<StringProperties, 'stiffness' | 'stiffnessAtPitch' | 'breakingLoad' | 'thins' | 'creep' | 'range'>;

function steelLoad(diameter: Metres, area: number): Load {
  const stiffness = steelModulus(diameter) * area;
  return {
    stiffness,
    stiffnessAtPitch: stiffness,
    breakingLoad: musicWireStrength(diameter) * area,
    thins: false,
    creep: CREEP.steel.value,
    range: { stiffness: [stiffness, stiffness], creep: [CREEP.steel.low, CREEP.steel.high] },
  };
}

function polymerLoad({ modulus, atPitch, strength, creep }: Polymer, area: number): Load {
  return {
    stiffness: fromGigapascals(modulus.value) * area,
    stiffnessAtPitch: fromGigapascals(atPitch.value) * area,
    breakingLoad: fromMegapascals(strength.value) * area,
    thins: true,
    creep: creep.value,
    range: { stiffness: [fromGigapascals(modulus.low) * area, fromGigapascals(modulus.high) * area], creep: [creep.low, creep.high] },
  };
}

const common = (spec: StringSpec, computed: number, bandPercent: number) => ({
  gauge: spec.gauge,
  construction: spec.construction,
  linearDensity: spec.linearDensity ?? kilogramsPerMetre(computed),
  bandPercent: spec.linearDensity === undefined ? bandPercent : BANDS.weighed.value,
});

function coreOf({ family, coreShape }: StringSpec, diameter: Metres): Core {
  const shape = coreShape ?? (family === 'classical' || family === 'ukulele' ? 'floss' : 'hex');
  if (shape === 'floss') return { shape, diameter, density: floss, fill: WINDING.flossFill.value };
  return { shape, diameter, density: kilogramsPerCubicMetre(DENSITY.coreSteel.value) };
}

/** kg/m of a core wound up to the gauge. */
function massOf(spec: StringSpec, core: Core): Outcome<number, StringProblem> {
  const seat = coreSeat(core);
  if (seat >= spec.gauge) return refused({ kind: 'core-not-inside', seat, gauge: spec.gauge });
  const wrap = spec.wrap ?? usualWrap(spec.family);
  const built = windString(core, layersOf(spec, metres((spec.gauge - seat) / 2), wrap), packFactor(spec.family, wrap));
  return built.ok ? done(built.value.linearDensity) : refused({ kind: 'layer-does-not-close', gauge: spec.gauge, seat });
}

function packFactor(family: Family, wrap: Wrap): number {
  if (family === 'bass') return WINDING.bassPack.value;
  return family === 'acoustic' && wrap === 'phosphorBronze' ? WINDING.bronzeAcousticPack.value : WINDING.plainPack.value;
}

/** The core that makes a string of this gauge weigh what an offcut weighed; the usual one where no core would. */
function coreFromMass(spec: StringSpec, weighed: KilogramsPerMetre, usual: Metres): Metres {
  const excess = (diameter: number) => {
    const built = massOf(spec, coreOf(spec, metres(diameter)));
    return built.ok ? built.value - weighed : Number.NaN;
  };
  const widest = spec.gauge / (coreSeat(coreOf(spec, spec.gauge)) / spec.gauge);
  const root = bisect(excess, spec.gauge * 0.05, widest * 0.999, spec.gauge * 1e-12);
  return root.kind === 'root' ? metres(root.x) : usual;
}
