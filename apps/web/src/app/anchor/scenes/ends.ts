import {
  area,
  arrow,
  badArrow,
  ball,
  bent,
  box,
  label,
  neighbour,
  round,
  taut,
  turning,
  wireBent,
  type AnchorScenes,
  type Part,
  type SceneRequest,
} from '../scene';

/** The tail of a headless instrument: pocket for the ball on a carriage, drawn back by a screw with a knob. `drawn`: how far, 0 to 1. */
function carriage(drawn: number): Part[] {
  const x = 40 + 8 * drawn;
  return [
    box('body', 2, 32, 48, 9),
    box('metal', 14, 28, 44, 4),
    area('metal', [20, 18], [27, 15], [30, 28], [20, 28]),
    box('metal', x - 8, 20, 9, 8),
    box('hollow', x - 5, 20, 5, 5),
    box('dark', x + 1, 23, 66 - x - 1, 2),
    box('dark', 63, 19, 7, 10),
  ];
}
const inPocket = (drawn: number): Part[] => [taut([0, 13], [24, 16], [34 + 8 * drawn, 22]), ball(37.6 + 8 * drawn, 22.6)];
/** The head: the string comes from the right over the nut and goes through a clamp whose screw presses from above. */
const head: Part[] = [
  box('plate', 20, 26, 52, 10),
  box('bone', 52, 20, 3, 8),
  box('metal', 20, 14, 20, 14),
  box('hollow', 20, 20, 20, 1.8),
  box('dark', 27, 6, 5, 14),
];

export const headless: AnchorScenes = {
  off: [
    {
      title: 'Tuner to its outer end',
      says: 'Unscrew until the string is limp; an eraser under a bridge that can fall.',
      parts: [...carriage(0), bent([0, 18], [14, 17], [24, 16], [34, 22]), ball(37.6, 22.6), turning(66.5, 15, 4)],
    },
    {
      title: 'Clamp open, twist the ball free',
      says: 'It sits tight in its pocket.',
      parts: [...carriage(0), bent([6, 8], [24, 13], [36, 15]), ball(38.4, 15.4), arrow([46, 18], [46, 9])],
    },
  ],
  fit: [
    {
      title: 'Ball in its pocket',
      says: 'Tuner at its outer end; hold the ball down with a hex key.',
      parts: [
        ...carriage(0),
        ...inPocket(0),
        box('metal', 37, 6, 1.8, 13),
        arrow([46, 8], [46, 16]),
        label(71, 38.5, 'all its travel', 'end'),
      ],
    },
    {
      title: 'Through the head clamp',
      says: 'Pull it tight and bend it up; thumb on the bend.',
      parts: [
        ...head,
        taut([72, 19], [53.5, 20], [40, 20.9], [20, 20.9], [16, 20.6], [14, 10]),
        round('skin', 10, 21, 4.4, 3),
        arrow([22, 41], [10, 41]),
        label(36, 42.5, 'pull tight'),
      ],
    },
    {
      title: 'Cut, and draw the end in',
      says: 'Just inside the clamp: nothing sharp stands out. Then firm, not more.',
      parts: [
        ...head,
        taut([72, 19], [53.5, 20], [40, 20.9], [22, 20.9]),
        turning(29.5, 4.6, 3.6),
        label(2, 14, 'inside', 'start'),
        arrow([12, 15.5], [19.4, 20.4]),
      ],
    },
    {
      title: 'Take up the slack',
      says: 'A small arc of slack is right: it leaves the screw room to tune.',
      parts: [...carriage(0.4), ...inPocket(0.4), turning(66.5, 15, 4), arrow([34, 39], [44, 39])],
    },
  ],
  fault: {
    title: 'Too long: out of travel',
    says: 'Slacken, trim a few millimetres, try again; too short is scrap.',
    parts: [
      ...carriage(1),
      bent([0, 15], [12, 17], [24, 16], [42, 22]),
      ball(45.6, 22.6),
      badArrow([52, 36], [60, 36]),
      label(71, 43, 'none left', 'end'),
    ],
  },
};

/** Tail of a mandolin or banjo: a plate with hooks at the edge, the loose bridge on the top. */
const tail: Part[] = [
  box('top', 2, 31, 64, 3.4),
  box('body', 62, 31, 6, 12),
  area('metal', [46, 28], [66, 24], [68, 26], [68, 40], [66, 40], [66, 28], [46, 31]),
];
const looseBridge = (lean: number): Part[] => [
  area('ebony', [16, 31], [26, 31], [23.6 + lean, 14], [19.6 + lean, 14]),
  box('bone', 20 + lean, 12.6, 3.2, 1.8),
];
const hook = (x: number, y: number): Part => wireBent([x - 8, y + 2], [x, y + 2], [x + 2.4, y], [x, y - 3]);
const loopOn = (x: number, y: number): Part[] => [
  bent([x - 9, y], [x - 4, y - 2.4], [x + 1.4, y - 1.6], [x + 2, y + 1], [x - 3, y + 2.4], [x - 9, y]),
];
/** Hooks from above, in a row, each with its string. */
function rows(request: SceneRequest): Part[] {
  const shown = Math.min(5, request.count);
  const mine = request.index % shown;
  return [
    box('metal', 44, 3, 24, 38),
    ...Array.from({ length: shown }, (_, at): Part[] => {
      const y = 22 + (at - (shown - 1) / 2) * 8;
      return [
        round('dark', 58, y, 1.3),
        ...(at === mine ? [taut([0, y], [48, y]), ...loopOn(57, y), round('dark', 58, y, 1.3)] : [neighbour([0, y], [50, y], [59.4, y])]),
      ];
    }).flat(),
  ];
}
const over = (): Part[] => [taut([0, 10], [21.6, 12.6], [50, 25]), ...loopOn(58, 24.4)];

export const hookedTailpiece = (request: SceneRequest): AnchorScenes => ({
  off: [
    {
      title: request.cover ? 'Mark the bridge; cover off' : 'Mark the bridge',
      says: request.cover
        ? 'Pencil on tape at both feet; then slide the cover off backward.'
        : 'Pencil on tape at both feet: its place is the intonation.',
      parts: [
        ...tail,
        ...looseBridge(0),
        taut([0, 10], [21.6, 12.6], [50, 25], [58, 24]),
        hook(60, 24),
        box('cloth', 12, 30.4, 4, 0.8),
        box('cloth', 26, 30.4, 4, 0.8),
        ...(request.cover ? [area('metal', [42, 20], [62, 15], [71, 15], [71, 18], [62, 18], [43, 23]), arrow([58, 10], [69, 9])] : []),
      ],
    },
    {
      title: 'Slacken, unhook',
      says: 'The others hold the bridge meanwhile.',
      parts: [
        ...tail,
        ...looseBridge(0),
        hook(60, 24),
        bent([0, 16], [21, 13], [36, 16], [48, 14]),
        ...loopOn(57, 13),
        arrow([64, 20], [64, 11]),
      ],
    },
  ],
  fit: [
    {
      title: 'Loop over its own hook',
      says: 'To the root of the hook, nothing crossing.',
      parts: [...rows(request), label(64, 44.5, 'seen from above', 'end')],
    },
    {
      title: 'Keep tension on it',
      says: 'With the fingers, all the time, until it is on its post.',
      parts: [...tail, ...looseBridge(0), hook(60, 24), ...over(), arrow([16, 6], [5, 4.4]), round('skin', 2, 10, 3, 4)],
    },
    {
      title: 'Bridge on its mark',
      says: request.cover ? 'Upright, both feet flat; the cover goes back at the end.' : 'Upright, both feet flat.',
      parts: [
        ...tail,
        ...looseBridge(0),
        hook(60, 24),
        ...over(),
        box('cloth', 12, 30.4, 4, 0.8),
        box('cloth', 26, 30.4, 4, 0.8),
        arrow([12, 40], [16, 33]),
        label(14, 44, 'mark', 'middle'),
      ],
    },
  ],
  fault: {
    title: 'On the tip of the hook',
    says: 'It jumps off and flies, and the bridge goes with it. Slacken at once, hook it anew: eyes away.',
    parts: [
      ...tail,
      ...looseBridge(3),
      hook(60, 24),
      taut([0, 11], [24.6, 12.8], [50, 21]),
      ...loopOn(57.6, 20),
      badArrow([56, 16], [48, 9]),
      label(34, 9, 'jumps off', 'middle'),
    ],
  },
});
