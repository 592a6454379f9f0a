import { constant, type Constant } from './constant.js';

const density = (value: number, low: number, high: number, source: string) => constant(value, [low, high], 'kg/m³', source);
const alloy = (value: number) => density(value, value * 0.995, value * 1.005, 'data sheets of the alloy, ±0.5 % between melts');

/** Density of what strings are made of, kg/m³. */
export const DENSITY = {
  plainSteel: density(7820, 7800, 7860, 'music wire as drawn, with tin coat'),
  coreSteel: density(7850, 7820, 7860, 'high-carbon steel'),
  nickelPlatedSteel: density(7900, 7850, 7960, 'steel with 5–10 % nickel by mass'),
  pureNickel: alloy(8890),
  stainless430: alloy(7740),
  stainless304: alloy(7950),
  phosphorBronze: alloy(8830),
  bronze8020: alloy(8670),
  bronze8515: alloy(8750),
  silverPlatedCopper: alloy(8960),
  aluminium: alloy(2640),
  monel: alloy(8800),
  tungsten: alloy(19250),
  titanium: alloy(4510),
  nylon612: density(1065, 1050, 1080, 'polymer data sheets'),
  nylon66: density(1140, 1130, 1150, 'polymer data sheets'),
  fluorocarbon: density(1780, 1760, 1800, 'PVDF data sheets'),
  gut: density(1300, 1250, 1350, 'dried and polished gut'),
  pbt: density(1310, 1300, 1320, 'polymer data sheets'),
  flossYarn: density(1140, 1130, 1150, 'nylon 66 multifilament, before its fill'),
} as const satisfies Record<string, Constant>;

export type Material = keyof typeof DENSITY;

/** What wraps a wound string. */
export const WRAPS = [
  'nickelPlatedSteel',
  'pureNickel',
  'stainless430',
  'stainless304',
  'phosphorBronze',
  'bronze8020',
  'bronze8515',
  'silverPlatedCopper',
  'aluminium',
  'monel',
  'tungsten',
  'titanium',
] as const satisfies readonly Material[];
export type Wrap = (typeof WRAPS)[number];
