import { area, arrow, badArrow, ball, bent, box, label, round, taut, type AnchorScenes, type Part } from '../scene';

/** A bridge that is loaded from its back edge: base plate, back wall, a saddle on its screw. */
const topLoader: Part[] = [
  box('body', 2, 30, 68, 12),
  box('metal', 24, 27, 36, 3),
  box('metal', 56, 15, 4, 15),
  box('hollow', 56, 20, 4, 2),
  box('metal', 32, 16, 8, 11),
  box('dark', 40, 20.4, 16, 1.2),
];
const cloth: Part = box('cloth', 60, 28.8, 12, 1.4);

export const topLoad: AnchorScenes = {
  off: [
    {
      title: 'Slacken until limp',
      says: 'Or cut it limp, never tight: thick strings whip.',
      parts: [...topLoader, cloth, bent([0, 18], [16, 17], [35, 15], [48, 19], [56, 21]), taut([56, 21], [60, 21]), ball(62.2, 21)],
    },
    {
      title: 'Slide it out backward',
      says: 'A cut end pulled forward scratches the top.',
      parts: [...topLoader, cloth, bent([30, 14], [44, 18], [56, 21], [64, 21]), ball(66, 21), arrow([60, 12], [70, 12])],
    },
  ],
  fit: [
    {
      title: 'Thread from the back',
      says: 'Cloth behind the bridge; lift the point over the saddle.',
      parts: [
        ...topLoader,
        cloth,
        bent([26, 8], [36, 13.6], [48, 19], [56, 21], [70, 21.6]),
        arrow([66, 16], [56, 13]),
        label(70, 36, 'cloth', 'end'),
      ],
    },
    {
      title: 'Until the ball seats',
      says: 'Square in its seat, not askew.',
      parts: [...topLoader, taut([0, 14], [36, 16], [56, 21], [60, 21]), ball(62.2, 21), arrow([20, 9], [8, 8])],
    },
    {
      title: 'Over its saddle',
      says: 'In the groove of its own saddle; the break is clear.',
      parts: [
        ...topLoader,
        taut([0, 14], [36, 16], [56, 21], [60, 21]),
        ball(62.2, 21),
        arrow([36, 6], [36, 13]),
        label(36, 4, 'witness point', 'middle'),
      ],
    },
  ],
  fault: {
    title: 'Ball askew',
    says: 'It seats later, under pull, and the string goes flat. Slacken, turn the ball, pull again.',
    parts: [...topLoader, bent([0, 14], [36, 16], [50, 19], [57, 21.4], [62, 24]), ball(62.6, 25.4), badArrow([68, 22], [68, 16])],
  },
};

/** A solid body with a ferrule in its back; drawn at half its thickness. */
const solid: Part[] = [
  box('body', 2, 22, 68, 18),
  box('hollow', 49, 22, 2.4, 14),
  box('metal', 46.6, 36, 7.2, 4),
  box('hollow', 48, 37, 4.4, 3),
  box('metal', 30, 19, 26, 3),
  box('metal', 36, 11, 7, 8),
  box('hollow', 49, 18.8, 2.4, 3.4),
];
const seatedBall = (): Part[] => [taut([0, 8], [39.5, 11], [50.2, 20], [50.2, 37]), ball(50.2, 38.4)];

export const throughBody: AnchorScenes = {
  off: [
    {
      title: 'Slacken, cut the curl, push',
      says: 'Its curled end cut off straight, then through the body from above.',
      parts: [
        ...solid,
        bent([20, 4], [38, 9], [48, 14], [50.2, 20]),
        taut([50.2, 20], [50.2, 40]),
        ball(50.2, 42),
        arrow([58, 30], [58, 40]),
      ],
    },
    {
      title: 'Pull the ball out of the back',
      says: 'A ball that stays in its ferrule blocks the next.',
      parts: [...solid, taut([50.2, 28], [50.2, 42]), ball(50.2, 43.4), arrow([42, 40], [42, 45])],
    },
  ],
  fit: [
    {
      title: 'In from the back',
      says: 'Point up through the ferrule; keep it off the finish.',
      parts: [...solid, taut([50.2, 10], [50.2, 44]), arrow([58, 44], [58, 34]), label(44, 44, 'ferrule', 'end')],
    },
    {
      title: 'Until the ball seats',
      says: 'Pull until the ball is deep in its ferrule.',
      parts: [
        ...solid,
        bent([24, 3], [40, 6], [48, 13], [50.2, 20]),
        taut([50.2, 20], [50.2, 37]),
        ball(50.2, 38.4),
        arrow([34, 10], [24, 9]),
      ],
    },
    {
      title: 'Over its saddle',
      says: 'The steep break holds it: look that it is clear.',
      parts: [...solid, ...seatedBall(), label(46, 8, 'steep break')],
    },
  ],
  fault: {
    title: 'An old ball left inside',
    says: 'The new ball stands on the old one and works down for days. Push both out from above.',
    parts: [
      ...solid,
      taut([0, 8], [39.5, 11], [50.2, 20], [50.2, 39]),
      round('dark', 50.2, 38.2, 2),
      ball(50.2, 42),
      badArrow([58, 40], [58, 34]),
      label(44, 44, 'old ball', 'end'),
    ],
  },
};

/** A stop tailpiece on its studs behind a bridge on two posts. */
const stopped: Part[] = [
  box('body', 2, 34, 68, 8),
  box('metal', 26, 22, 2.4, 12),
  area('metal', [21, 15], [33, 15], [34, 22], [20, 22]),
  area('metal', [25.6, 12], [28.4, 12], [29.6, 15], [24.4, 15]),
  box('dark', 53, 26, 3, 8),
];
const tailpiece = (x: number, y: number): Part[] => [round('metal', x, y, 6, 4.6), box('hollow', x - 6, y - 1, 12, 1.8)];

export const stopTailpiece: AnchorScenes = {
  off: [
    {
      title: 'Hold it, then slacken',
      says: 'It stands on its studs by tension alone.',
      parts: [
        ...stopped,
        ...tailpiece(54.5, 24),
        bent([0, 16], [14, 15], [27, 12], [38, 19], [48.5, 24]),
        ball(61.6, 24),
        box('cloth', 44, 33, 24, 1.2),
        label(66, 32, 'cloth under it', 'end'),
      ],
    },
    {
      title: 'Push the ball out',
      says: 'Backward, away from the bridge.',
      parts: [...stopped, ...tailpiece(54.5, 24), bent([34, 20], [48.5, 24], [62, 24]), ball(65, 24), arrow([62, 17], [70, 17])],
    },
  ],
  fit: [
    {
      title: 'Thread from behind',
      says: 'Away from the body, toward the bridge.',
      parts: [...stopped, ...tailpiece(54.5, 24), bent([30, 10], [40, 19], [48.5, 24], [60, 24.4], [70, 25]), arrow([68, 19], [60, 17])],
    },
    {
      title: 'Light tension on the first',
      says: 'The first string under light pull holds it on its studs.',
      parts: [
        ...stopped,
        ...tailpiece(54.5, 24),
        taut([0, 9], [27, 12], [48.5, 24]),
        ball(61.6, 24),
        arrow([20, 6], [8, 5]),
        label(68, 17, 'held', 'end'),
      ],
    },
    {
      title: 'Both studs, bridge upright',
      says: 'Look from the side: tailpiece on both studs, bridge where it stood.',
      parts: [
        ...stopped,
        ...tailpiece(54.5, 24),
        taut([0, 9], [27, 12], [48.5, 24]),
        ball(61.6, 24),
        label(36, 31, 'studs'),
        arrow([44, 30], [52, 29]),
      ],
    },
  ],
  fault: {
    title: 'Wrong way round',
    says: 'Threaded from the front it lifts out of its studs as soon as it is pulled.',
    parts: [
      ...stopped,
      ...tailpiece(52, 19),
      taut([0, 9], [27, 12], [45, 19]),
      ball(45, 18.6),
      badArrow([62, 22], [62, 13]),
      label(66, 32, 'off its studs', 'end'),
    ],
  },
};

/** A bridge that is its own tailpiece, on two studs. */
const wrapped: Part[] = [
  box('body', 2, 34, 68, 8),
  box('dark', 44.4, 28, 3.4, 6),
  round('metal', 46, 24, 8, 5.4),
  box('hollow', 38.6, 24, 14, 1.8),
];
const overTheTop = (): Part[] => [
  bent([40, 24.9], [52, 24.9], [55.4, 23], [52.6, 18.8], [46, 18.2]),
  taut([46, 18.2], [0, 12]),
  ball(37.6, 24.9),
];

export const wrapAround: AnchorScenes = {
  off: [
    {
      title: 'Hold it, then slacken',
      says: 'It stands on its studs by tension alone; a cloth under it.',
      parts: [...wrapped, ...overTheTop(), box('cloth', 34, 33, 26, 1.2)],
    },
    {
      title: 'Unwrap, push the ball out',
      says: 'Forward, toward the neck.',
      parts: [...wrapped, bent([36, 24.9], [52, 24.9], [58, 22], [64, 14]), ball(33, 24.9), arrow([36, 31], [28, 31])],
    },
  ],
  fit: [
    {
      title: 'In from the neck side',
      says: 'The point goes toward the tail.',
      parts: [...wrapped, taut([20, 24.9], [64, 24.9]), ball(18, 24.9), arrow([24, 31], [34, 31])],
    },
    {
      title: 'Ball to its seat',
      says: 'Draw it in until the ball is at the bottom of its hole.',
      parts: [...wrapped, bent([40, 24.9], [54, 24.9], [62, 20], [66, 12]), ball(37.6, 24.9), arrow([58, 30], [67, 30])],
    },
    {
      title: 'Over the top',
      says: 'Back over the bridge, in its groove, and up the neck.',
      parts: [...wrapped, ...overTheTop(), arrow([16, 9], [6, 7.6])],
    },
  ],
  fault: {
    title: 'From the tail side',
    says: 'It leaves from under the bridge, which climbs off its studs. Thread it anew from the neck side.',
    parts: [
      box('body', 2, 34, 68, 8),
      box('dark', 44.4, 28, 3.4, 6),
      area('metal', [38, 16], [52, 13], [55, 21], [41, 25]),
      taut([40, 21], [0, 14]),
      ball(55.6, 18),
      badArrow([62, 24], [62, 15]),
    ],
  },
};
