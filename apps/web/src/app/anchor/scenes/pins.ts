import { area, arrow, badArrow, ball, bent, box, label, taut, type AnchorScenes, type Part } from '../scene';

/** A pinned bridge, cut along the string: the saddle, the hole, and the plate under the top. */
const bridge: Part[] = [
  box('top', 2, 27, 66, 3),
  box('plate', 24, 30, 36, 3),
  area('ebony', [17, 27], [21, 18.5], [60, 18.5], [66, 27]),
  box('bone', 26, 11, 3, 11),
  box('hollow', 43, 18.4, 5.6, 14.8),
];

/** The pin, its head `up` above its seat, its slot toward the saddle, or away from it. */
function pin(up: number, slot: 'saddle' | 'away' = 'saddle'): Part[] {
  const y = 18.5 - up;
  const at = (x: number) => (slot === 'saddle' ? x : 91.6 - x);
  return [
    area('bone', [43.2, y], [48.4, y], [47.2, y + 19], [44.6, y + 19]),
    area('hollow', [at(43.2), y + 1], [at(44.2), y + 1], [at(45), y + 16], [at(44.4), y + 16]),
    area('bone', [41.8, y], [42.4, y - 2.2], [44.4, y - 3.4], [47.2, y - 3.4], [49.2, y - 2.2], [49.8, y]),
  ];
}

/** An end at its pin as it lies: home, under the tip of the pin, which stands out so far, or beside a pin whose slot looks away. */
export function pinned(lies: 'home' | 'under-tip' | 'slot-away', up: number): Part[] {
  if (lies === 'under-tip') return [...bridge, taut([2, 8], [27.5, 11], [43.6, 18.4 - up / 4], [44.6, 33.6]), ...pin(up), ball(46, 36)];
  if (lies === 'home') return [...bridge, ...pin(0), taut([2, 8], [27.5, 11], [43.6, 18.4], [43.4, 32]), ball(41.6, 35.4)];
  return [...bridge, ...pin(0, 'away'), taut([2, 8], [27.5, 11], [43, 18.4], [42.9, 32]), ball(41.2, 35.4)];
}

export const pins: AnchorScenes = {
  off: [
    {
      title: 'Slacken, then lever',
      says: 'Under the shoulder of the pin, with the notch; a stuck one is pushed up from inside.',
      parts: [
        ...bridge,
        ...pin(3),
        bent([2, 20], [14, 15], [27.5, 11], [36, 17], [43.4, 19], [43, 33], [40.5, 35]),
        ball(40, 35.4),
        area('metal', [49, 16.6], [70, 8], [70, 10], [50, 18.4]),
        arrow([64, 16], [64, 12.5]),
        label(68, 24, 'shoulder', 'end'),
      ],
    },
    {
      title: 'Pin first, then the ball',
      says: 'Count the balls: one left inside rattles.',
      parts: [...bridge, ...pin(13), bent([4, 12], [18, 9], [33, 14], [40, 8]), ball(41, 6.6), arrow([56, 12], [56, 4])],
    },
  ],
  fit: [
    {
      title: 'Bend above the ball',
      says: 'A small bend just above the ball, so that it cannot sit under the tip of the pin.',
      parts: [
        ...bridge,
        bent([41, 2], [44.5, 9], [46.4, 12.5], [44, 15.5]),
        ball(43.4, 16.6),
        label(22, 15, 'saddle', 'end'),
        label(4, 35, 'top'),
        label(34, 38, 'plate', 'middle'),
      ],
    },
    {
      title: 'Ball down, slot to the saddle',
      says: 'Ball through the plate; the slot of the pin looks at the saddle. Press lightly.',
      parts: [
        ...bridge,
        bent([4, 12], [20, 12.6], [34, 14], [43, 18], [44, 24], [44, 36]),
        ball(44, 38),
        ...pin(7),
        arrow([46, 0.5], [46, 5.5]),
        label(39, 9.5, 'slot this side', 'end'),
      ],
    },
    {
      title: 'Pull up until it catches',
      says: 'Pull while you press: the ball comes to rest under the plate, beside the pin.',
      parts: [
        ...bridge,
        ...pin(0),
        taut([2, 8], [27.5, 11], [43.6, 18.4], [43.4, 32]),
        ball(41.6, 35.4),
        arrow([12, 12], [5, 11]),
        label(36, 42.5, 'the ball rests on the plate', 'middle'),
      ],
    },
  ],
  fault: {
    title: 'The pin creeps out',
    says: 'The ball hangs under the tip. Out again, bend more, turn the ball aside. Never hammer a pin.',
    parts: [
      ...bridge,
      taut([2, 8], [27.5, 11], [43.6, 17.4], [44.6, 33.6]),
      ...pin(4),
      ball(46, 36),
      badArrow([56, 16], [56, 9]),
      label(50, 40, 'under the tip'),
    ],
  },
};
