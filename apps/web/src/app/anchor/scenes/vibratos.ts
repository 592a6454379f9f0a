import {
  area,
  arrow,
  badArrow,
  ball,
  bent,
  box,
  coil,
  label,
  round,
  taut,
  turning,
  type AnchorScenes,
  type Part,
  type Point,
} from '../scene';

/** The pivot at the front edge of the plate. */
const PIVOT: Point = [27, 19];

function turned(points: readonly Point[], degrees: number): Point[] {
  const [cx, cy] = PIVOT;
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return points.map(([x, y]): Point => [cx + (x - cx) * cos - (y - cy) * sin, cy + (x - cx) * sin + (y - cy) * cos]);
}

/** Body with its cavity, the bridge tipped by `degrees` (toward the neck is negative as drawn), springs to the left. */
function vibrato(degrees: number, floating: boolean): Part[] {
  const at = (...points: Point[]) => turned(points, degrees);
  const [hook] = at([44, 40]);
  return [
    box('body', 2, 22, 21, 20),
    box('body', 58, 22, 12, 20),
    box('hollow', 23, 30, 35, 12),
    box('dark', 24.6, 16, 2, 8),
    coil(8, (hook?.[0] ?? 44) - 4, hook?.[1] ?? 40, 2.4, 9),
    area('metal', ...at([27, 18], [56, 18], [56, 20], [27, 20])),
    area('metal', ...at([40, 20], [49, 20], [49, 42], [40, 42])),
    area('hollow', ...at([43.6, 20], [45.4, 20], [45.4, 42], [43.6, 42])),
    area('metal', ...at([31, 12], [38, 12], [38, 18], [31, 18])),
    ...(floating ? [] : [box('body', 23, 20, 6, 4)]),
  ];
}
const inBlock = (degrees: number): Part[] => {
  const [saddle, hole, seat, end] = turned(
    [
      [34.5, 12],
      [44.5, 17],
      [44.5, 33],
      [44.5, 35],
    ],
    degrees,
  );
  return [taut([0, 9], saddle ?? [0, 0], hole ?? [0, 0], seat ?? [0, 0]), ball(end?.[0] ?? 0, end?.[1] ?? 0)];
};

const off = (floating: boolean): AnchorScenes['off'] => [
  {
    title: 'Slacken',
    says: floating ? 'One string off sharpens all the others.' : 'The springs take up what the string leaves.',
    parts: [
      ...vibrato(floating ? 2 : 0, floating),
      bent([0, 15], [16, 14], [34.5, 12], [44.5, 18]),
      taut([44.5, 18], [44.5, 33]),
      ball(44.5, 35),
      label(24, 34.6, 'under load'),
    ],
  },
  {
    title: 'Out at the back',
    says: 'Push the ball down and out of the block.',
    parts: [...vibrato(0, floating), taut([44.5, 26], [44.5, 42]), ball(44.5, 43.4), arrow([53, 33], [53, 42])],
  },
];

const threading: Part[] = [taut([44.5, 8], [44.5, 44]), arrow([53, 44], [53, 34])];

export const restingVibrato: AnchorScenes = {
  off: off(false),
  fit: [
    {
      title: 'From the back, through the block',
      says: 'Point up; the spring cover is off or has a slot.',
      parts: [...vibrato(0, false), ...threading],
    },
    {
      title: 'Until the ball seats',
      says: 'Pull until the ball is at the bottom of its hole.',
      parts: [
        ...vibrato(0, false),
        bent([20, 3], [36, 7], [43, 13], [44.5, 20]),
        taut([44.5, 20], [44.5, 33]),
        ball(44.5, 35),
        arrow([30, 3], [20, 0.8]),
      ],
    },
    {
      title: 'Over its saddle',
      says: 'The bridge still rests flat on the body.',
      parts: [...vibrato(0, false), ...inBlock(0), label(36, 28, 'rests here', 'start'), arrow([34, 27], [30, 22])],
    },
  ],
  fault: {
    title: 'Lifted off the body',
    says: 'A heavier set lifts it: the claw screws go in until it rests again.',
    parts: [...vibrato(-7, true), ...inBlock(-7), badArrow([62, 20], [62, 12]), label(70, 8, 'gap', 'end')],
  },
};

export const floatingVibrato: AnchorScenes = {
  off: off(true),
  fit: [
    {
      title: 'From the back, through the block',
      says: 'Point up through its hole.',
      parts: [...vibrato(2, true), ...threading],
    },
    {
      title: 'Until the ball seats',
      says: 'Pull until the ball is at the bottom of its hole.',
      parts: [
        ...vibrato(2, true),
        bent([20, 3], [36, 7], [43, 13], [44, 20]),
        taut([44, 20], [43.4, 33]),
        ball(43.4, 35),
        arrow([30, 3], [20, 0.8]),
      ],
    },
    {
      title: 'Up to pitch, then the next',
      says: 'The bridge comes home string by string.',
      parts: [...vibrato(0, true), ...inBlock(0), turning(40, 10, 5)],
    },
    {
      title: 'Level, as it was noted',
      says: 'Compare with the height you noted before.',
      parts: [...vibrato(0, true), ...inBlock(0), box('cloth', 56, 18, 12, 0.6), label(70, 16, 'level', 'end')],
    },
  ],
  fault: {
    title: 'Fallen back',
    says: 'Too many strings off without a block: springs win. Block it level, then string up.',
    parts: [
      ...vibrato(9, true),
      bent([0, 14], [18, 16], [34, 14], [42, 20]),
      badArrow([62, 18], [62, 27]),
      label(36, 6, 'springs win', 'middle'),
    ],
  },
};

/** A saddle with its clamp: the pocket between wall and block, the long screw that presses the block. */
const clamp = (gap: number): Part[] => [
  box('metal', 20, 30, 44, 5),
  area('metal', [24, 18], [36, 14], [36, 30], [24, 30]),
  box('hollow', 36, 16, 8, 14),
  box('dark', 36 + gap, 17, 6, 12),
  box('metal', 44, 18, 6, 12),
  box('dark', 42 + gap, 22, 24 - gap, 2.4),
  box('dark', 66, 21, 3, 4.4),
];
const key: Part[] = [box('metal', 69, 22, 3, 2), box('metal', 70.6, 22, 1.4, 16)];
/** The locking nut from the side: clamp, its pad, and the retainer bar toward the posts. */
const nut: Part[] = [
  area('plate', [2, 34], [70, 26], [70, 40], [2, 44]),
  box('metal', 44, 22, 12, 7),
  box('dark', 45, 18, 10, 3.6),
  box('dark', 48.8, 12, 2.4, 8),
  box('metal', 22, 24.6, 8, 2.4),
  round('dark', 26, 23.6, 2),
];

export const doubleLocking: AnchorScenes = {
  off: [
    {
      title: 'Unlock the nut first',
      says: 'Note which way each pad lies; its fine tuner to mid travel.',
      parts: [...nut, taut([2, 29], [26, 27.4], [50, 21.8], [70, 20]), turning(50, 9, 4)],
    },
    {
      title: 'Open its clamp, limp',
      says: 'A clamp that opens under pull throws the string.',
      parts: [...clamp(2), ...key, bent([4, 9], [20, 12], [32, 12], [37, 20]), arrow([36, 10], [30, 3])],
    },
  ],
  fit: [
    {
      title: 'Ball off, end square',
      says: 'Cut just above the ball and its twist. A ball that is cut off flies: hold it.',
      parts: [
        taut([4, 22], [44, 22]),
        ball(60, 22),
        taut([52, 22], [58, 22]),
        area('metal', [46, 10], [48.4, 21], [49.6, 21], [52, 10]),
        area('metal', [46, 34], [48.4, 23], [49.6, 23], [52, 34]),
        label(24, 29, 'end cut square', 'middle'),
      ],
    },
    {
      title: 'To the bottom of the clamp',
      says: 'Between wall and block, straight down.',
      parts: [...clamp(2), bent([2, 8], [20, 10], [32, 12], [36.6, 18]), taut([36.6, 18], [37, 29.6]), arrow([46, 8], [40, 14])],
    },
    {
      title: 'Firm, and not more',
      says: 'Turn until it holds; a twist of the wrist, no lever.',
      parts: [...clamp(1), ...key, taut([0, 8], [30, 13.6], [36.4, 16.4], [36.6, 29.6]), turning(66, 15, 4)],
    },
    {
      title: 'Under the retainer bar',
      says: 'Wind it on its post, bar over it; the nut stays open until it is tuned.',
      parts: [
        ...nut,
        taut([0, 29.4], [26, 27.4], [50, 21.8], [72, 19.6]),
        label(26, 18, 'bar', 'middle'),
        label(71, 12, 'nut open', 'end'),
      ],
    },
  ],
  seat: [
    {
      title: 'Stretch, nut open',
      says: 'A last time, along the string.',
      parts: [...nut, taut([0, 29.4], [26, 27.4], [50, 21.8], [72, 19.6]), arrow([62, 14], [70, 12]), label(49, 9, 'open', 'middle')],
    },
    {
      title: 'Tune, fine tuner half way',
      says: 'At the head, from below.',
      parts: [
        ...clamp(1),
        taut([0, 8], [30, 13.6], [36.4, 16.4], [36.6, 29.6]),
        box('dark', 58, 4, 3, 18),
        round('metal', 59.5, 4, 4, 1.6),
        label(54, 8, 'half way', 'end'),
      ],
    },
    {
      title: 'Lock it with the key',
      says: 'Firm and no more; then the fine tuner.',
      parts: [
        ...nut,
        taut([0, 29.4], [26, 27.4], [45, 22.4], [56, 21.4], [72, 19.6]),
        box('metal', 49.2, 3, 1.6, 9),
        box('metal', 49.2, 1.4, 16, 1.8),
        turning(50, 9, 5),
      ],
    },
  ],
  fault: {
    title: 'Overtightened',
    says: 'The block cuts the string or cracks. A new string, and a new block if it shows a line.',
    parts: [
      ...clamp(0.4),
      ...key,
      taut([0, 8], [30, 13.6], [36.2, 16.4]),
      taut([36.2, 21], [36.4, 29.6]),
      badArrow([56, 14], [44, 14]),
      label(34, 41, 'cut here', 'middle'),
    ],
  },
};
