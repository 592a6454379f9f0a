export const FAMILIES = ['electric', 'acoustic', 'bass', 'mandolin', 'banjo', 'classical', 'ukulele'] as const;
export type Family = (typeof FAMILIES)[number];

export const CONSTRUCTIONS = ['plain', 'wound', 'nylon', 'fluorocarbon', 'gut'] as const;
export type Construction = (typeof CONSTRUCTIONS)[number];

/** How the outside of a wound string is finished: round wire, a flat ribbon, or round wire ground down. */
export const FINISHES = ['round', 'flat', 'half-round'] as const;
export type Finish = (typeof FINISHES)[number];

export const CORE_SHAPES = ['hex', 'round', 'floss'] as const;
export type CoreShape = (typeof CORE_SHAPES)[number];
