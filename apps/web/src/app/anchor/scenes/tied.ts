import { sayTucks } from '@gold-peg/craft/bench-run';
import {
  area,
  arrow,
  badArrow,
  bent,
  box,
  label,
  neighbour,
  round,
  taut,
  turning,
  type AnchorScenes,
  type Part,
  type Point,
  type SceneRequest,
} from '../scene';

/** A tie block from above: the saddle to the left, the block with its holes, the tail of the bridge to the right. */
const fromAbove: Part[] = [box('ebony', 16, 3, 50, 37), box('bone', 22, 5, 2.6, 33), box('plate', 40, 5, 15, 33)];
const HOLE_Y = 24;
const tunnel = (y: number): Part => box('hollow', 40, y - 0.9, 15, 1.8);
const neighbours = [12, 36].map((y) => neighbour([0, y], [40, y]));

/** The same cut along the string. */
const cut: Part[] = [
  box('top', 2, 32, 68, 3),
  area('ebony', [14, 32], [17, 26], [64, 26], [68, 32]),
  box('bone', 22, 13, 2.8, 15),
  box('ebony', 40, 15, 15, 11),
  box('hollow', 40, 21, 15, 1.8),
];

/** The tail comes back under the standing part and goes over the block again; each tuck lies beside the one before. */
function tucks(times: number, crossing: number): Part[] {
  const points: Point[] = [
    [55, HOLE_Y],
    [59, HOLE_Y - 2],
    [57, HOLE_Y - 8],
    [44, HOLE_Y - 8],
    [35, HOLE_Y - 3],
    [33, HOLE_Y + 3],
    [38, HOLE_Y + 6],
  ];
  const zigzag = Array.from({ length: times }, (_, index): Point[] => {
    const x = crossing - 4.2 * (times - 1 - index);
    return [
      [x - 2, HOLE_Y + 5],
      [x, HOLE_Y - 8.4],
    ];
  }).flat();
  return [bent(...points, ...zigzag, [crossing + 2.5, HOLE_Y - 12]), taut([0, HOLE_Y], [40, HOLE_Y])];
}

/** An end at its block from above as it lies: tucked so often, the last crossing so far behind the edge of the block, in front of it below nought. */
export const tied = (times: number, behind: number): Part[] => [...fromAbove, tunnel(HOLE_Y), ...neighbours, ...tucks(times, 55 + behind)];

export function tieBlock(request: SceneRequest): AnchorScenes {
  const { twoHoles, wound, tie: way } = request;
  const most = way.tucks[1];
  const often = sayTucks(way.tucks);
  const through: Part[] = [...cut, taut([0, 10], [23.4, 13], [40, 21.9], [55, 21.9], [62, 18], [66, 8])];
  const tie = twoHoles
    ? {
        title: 'Back through the second hole',
        says: 'Over the block, in at the second hole, and under the loop that this makes. Nothing is tucked.',
        parts: [
          ...fromAbove,
          tunnel(HOLE_Y),
          tunnel(HOLE_Y - 8),
          ...neighbours,
          bent([55, HOLE_Y], [60, HOLE_Y - 1], [57, HOLE_Y - 4], [46, HOLE_Y - 4], [37, HOLE_Y - 5], [36, HOLE_Y - 8], [40, HOLE_Y - 8]),
          bent([55, HOLE_Y - 8], [59, HOLE_Y - 7], [58, HOLE_Y], [57, HOLE_Y + 6]),
          taut([0, HOLE_Y], [40, HOLE_Y]),
          label(64, HOLE_Y - 10, 'second hole', 'end'),
        ],
      }
    : {
        title: `Tuck it ${often}`,
        says: `Under its own standing part, back over the block, under the loop: ${wound ? 'a wound string grips' : 'a smooth one slips'}. The last crossing lies behind the edge.`,
        parts: [...fromAbove, tunnel(HOLE_Y), ...neighbours, ...tucks(most, 57), label(68, 44, 'last crossing behind the edge', 'end')],
      };
  return {
    off: [
      {
        title: 'Slacken, open the tie',
        says: 'Push the tail back under the loop; do not cut the tie while it holds.',
        parts: [...fromAbove, tunnel(HOLE_Y), ...neighbours, ...tucks(most, 57), arrow([62, HOLE_Y - 12], [50, HOLE_Y - 14])],
      },
      {
        title: 'Pull it through the block',
        says: 'Backward through its hole; keep the knot of a loop away from the top.',
        parts: [...cut, bent([10, 6], [22, 11], [34, 18], [40, 21.9]), taut([40, 21.9], [55, 21.9]), arrow([34, 10], [24, 5])],
      },
    ],
    fit: [
      {
        title: 'Through from the saddle side',
        says: way.twice
          ? 'Soft end first; round the block and through the same hole again. About 75 mm of tail.'
          : 'Soft end first; about 75 mm of tail behind the block.',
        parts: [...through, label(44, 12, 'block', 'middle'), label(21, 19, 'saddle', 'end'), label(71, 15, '75 mm', 'end')],
      },
      {
        title: 'Over the block, under itself',
        says: 'Back over the top, and under its own standing part.',
        parts: [
          ...fromAbove,
          tunnel(HOLE_Y),
          ...neighbours,
          bent([55, HOLE_Y], [59, HOLE_Y - 2], [57, HOLE_Y - 8], [44, HOLE_Y - 8], [35, HOLE_Y - 3], [33, HOLE_Y + 3], [36, HOLE_Y + 9]),
          taut([0, HOLE_Y], [40, HOLE_Y]),
          label(30, HOLE_Y + 13, 'under', 'end'),
        ],
      },
      tie,
      {
        title: 'Pull along the neck',
        says: 'Never upward: it would lift the tie off the edge. Hold the tail meanwhile.',
        parts: [
          ...cut,
          taut([0, 10], [23.4, 13], [40, 21.9], [55, 21.9]),
          bent([55, 21.9], [58.4, 20], [56, 14.2], [47, 13.4], [38, 14.6], [34, 18.4], [37, 20.4]),
          bent([37, 20.4], [46, 13.8], [55, 13.9], [57.4, 17.4]),
          arrow([14, 6], [4, 4.8]),
          label(71, 11, 'tail held', 'end'),
        ],
      },
    ],
    fault: {
      title: 'Crossed on top: it runs',
      says: 'On top nothing presses the last crossing down. Open it, and tie it so that it lies behind the edge.',
      parts: [
        ...fromAbove,
        tunnel(HOLE_Y),
        ...neighbours,
        ...tucks(most, 47),
        badArrow([28, HOLE_Y - 10], [16, HOLE_Y - 10]),
        label(48, 44, 'crossing on top', 'middle'),
      ],
    },
  };
}

/** An overhand knot round x, y. */
const knot = (x: number, y: number, size: number): Part[] => [
  bent(
    [x - 3 * size, y],
    [x, y - 1.4 * size],
    [x + 1.6 * size, y],
    [x, y + 1.4 * size],
    [x - 1.6 * size, y + 0.2 * size],
    [x, y - 0.8 * size],
    [x + 3 * size, y + 0.6 * size],
  ),
];

/** A bridge with slots, seen from its tail: the slot, and the pocket for the knot below it. */
function slots(index: number, count: number): Part[] {
  const shown = Math.min(4, count);
  const pitch = 13;
  const mine = index % shown;
  return [
    box('top', 2, 34, 68, 3),
    box('ebony', 8, 12, 56, 22),
    ...Array.from({ length: shown }, (_, at): Part[] => {
      const x = 36 + (at - (shown - 1) / 2) * pitch;
      return [
        box('hollow', x - 0.7, 12, 1.4, 14),
        box('hollow', x - 2.6, 26, 5.2, 8),
        ...(at === mine ? [] : [round('metal', x, 29, 1.8)]),
      ];
    }).flat(),
  ];
}
const slotX = ({ index, count }: SceneRequest): number => {
  const shown = Math.min(4, count);
  return 36 + ((index % shown) - (shown - 1) / 2) * 13;
};

const slotCut: Part[] = [
  box('top', 2, 30, 68, 3),
  area('ebony', [18, 30], [22, 19], [60, 19], [62, 30]),
  box('bone', 25, 12, 2.8, 12),
  box('hollow', 45, 25, 17, 5),
];

export function knotInSlot(request: SceneRequest): AnchorScenes {
  const x = slotX(request);
  return {
    off: [
      {
        title: 'Slacken, push the knot down',
        says: 'A knot that is pulled through splits a thin top.',
        parts: [...slotCut, taut([0, 9], [26.4, 12], [45, 24], [52, 27.4]), ...knot(55, 27.6, 1.1), arrow([55, 14], [55, 23])],
      },
      {
        title: 'Slide it out backward',
        says: 'The string lifts up out of its slot.',
        parts: [...slotCut, bent([4, 6], [20, 9], [40, 15], [60, 16]), ...knot(64, 16, 1.1), arrow([62, 11], [70, 11])],
      },
    ],
    fit: [
      {
        title: 'A small overhand knot',
        says: 'Pulled tight, a few millimetres of tail. Thin strings: twice.',
        parts: [...knot(34, 22, 7), label(36, 40, 'through the loop, pull tight', 'middle')],
      },
      {
        title: 'Into the slot from below',
        says: 'The string into the slot, the knot into the pocket under it.',
        parts: [
          ...slots(request.index, request.count),
          taut([x, 2], [x, 28]),
          ...knot(x, 30, 1),
          arrow([x, 44], [x, 35.5]),
          x < 36 ? label(70, 43, 'seen from the tail', 'end') : label(2, 43, 'seen from the tail'),
        ],
      },
      {
        title: 'Snug toward the neck',
        says: 'The slot is narrower than the knot: pull presses it home.',
        parts: [
          ...slotCut,
          taut([0, 9], [26.4, 12], [45, 24], [50, 27]),
          ...knot(52, 27.6, 1.2),
          arrow([14, 15], [5, 14]),
          label(17, 23, 'saddle', 'end'),
        ],
      },
    ],
    fault: {
      title: 'Knot too small',
      says: 'It slips up through the slot and the string flies. Tie it twice, or round a bead.',
      parts: [...slots(request.index, request.count), taut([x, 2], [x, 18]), ...knot(x, 19, 0.6), badArrow([x + 6, 24], [x + 6, 15])],
    },
  };
}

/** A tie bar from above, with the strings of the instrument; this one in the middle of the picture. */
const bar: Part[] = [box('ebony', 12, 3, 54, 39), box('bone', 18, 4, 2.6, 37), box('plate', 46, 4, 7, 37)];
const ROWS = [10, 23, 36] as const;
/** Three wraps of a string round itself, left of the bar. */
const wraps = (y: number, way: 1 | -1): Point[] =>
  [0, 1, 2].flatMap((turn): Point[] => [
    [43 - 4 * turn, y - 2.4 * way],
    [41 - 4 * turn, y + 2.4 * way],
  ]);
const wrapped = (y: number, way: 1 | -1): Part[] => [
  taut([0, y], [46, y]),
  bent([53, y], [56, y - 1.5 * way], [50, y - 3 * way], ...wraps(y, way), [31, y + 9 * way]),
];
const other = (part: Part): Part => (part.kind === 'string' ? { ...part, of: 'other' } : part);

export function wrapAndTuck(request: SceneRequest): AnchorScenes {
  const [up, here, down] = ROWS;
  // tails go toward the next string, up the picture where that has the lower number; that of the last one back to its neighbour
  const way = request.tailUp ? -1 : 1;
  const usual = request.last ? (-way as 1 | -1) : way;
  const others = [...wrapped(up, usual), ...wrapped(down, usual)].map(other);
  const standing = [neighbour([0, up], [46, up]), neighbour([0, down], [46, down])];
  const free: Part[] = [...bar, ...standing, taut([0, here], [53, here]), bent([53, here], [60, here - 2], [68, here - 6])];
  return {
    off: [
      {
        title: 'Slacken all, then cut',
        says: 'Limp strings only: their tails hold one another.',
        parts: [...bar, ...others, ...wrapped(here, way), area('metal', [24, here - 8], [28, here - 1], [30, here - 2], [27, here - 9])],
      },
      {
        title: 'Pull the ends out',
        says: 'Tail first, from under the neighbour’s wraps.',
        parts: [...bar, ...standing, bent([53, here], [60, here], [70, here - 4]), arrow([60, here + 6], [69, here + 6])],
      },
    ],
    fit: [
      {
        title: 'Through, with 40 mm',
        says: 'In from the sound-hole side.',
        parts: [...free, label(63, here + 7, '40 mm', 'middle'), arrow([4, here + 6], [12, here + 6])],
      },
      {
        title: 'Three wraps round itself',
        says: request.last
          ? 'The last one turns the other way round than all others.'
          : 'Turning toward the next string, snug with padded pliers.',
        parts: [...bar, ...standing, ...wrapped(here, way), turning(38, here - 8, 4)],
      },
      {
        title: request.last ? 'Both tails lock' : 'Tail under the next wraps',
        says: request.last
          ? 'Its tail and its neighbour’s go under each other.'
          : 'Each tail is fed under the wraps of the next string, which is still loose.',
        parts: [...bar, ...others, ...wrapped(here, way), label(8, 44, request.last ? 'the other way' : 'under the next')],
      },
    ],
    fault: {
      title: 'Tightened too soon',
      says: 'A neighbour that is tight lets no tail under its wraps: anchor all, then tighten.',
      parts: [
        ...bar,
        ...others,
        taut([0, here], [46, here]),
        bent([53, here], [57, here - 2], [50, here - 3], ...wraps(here, 1), [30, here + 6], [26, here + 5]),
        badArrow([24, here + 5], [24, here + 10]),
        label(22, here + 6, 'no way under', 'end'),
      ],
    },
  };
}
