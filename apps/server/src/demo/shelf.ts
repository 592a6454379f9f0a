import { STRINGS } from '@gold-peg/craft/strings';
import type { StockRow } from '@gold-peg/contract/stock';
import { SETS_OF_THE_DEMO } from './lines.js';

const set = (id: string, counted: number, shelf: string, reorderAt = 2, reorderTo = 6): StockRow => ({
  kind: 'set',
  id,
  counted,
  reorderAt,
  reorderTo,
  shelf,
});

/** How long orders of the last months took, from the order to the shelf, h. */
export const ORDERS_TOOK_H = [44, 52, 71, 39, 118, 46, 67];

/** Counts of the morning: sets by line, and the singles that break most. */
export const SHELF_OF_THE_DEMO: readonly StockRow[] = [
  ...SETS_OF_THE_DEMO.map(({ id }, index) => set(id, 5 - (index % 4), 'counter, left')),
  set('electric-nickel-9-11-16-24w-32w-42w', 3, 'drawer 2'),
  set('electric-nickel-10-13-17-26w-36w-46w', 4, 'drawer 2'),
  set('electric-stainless-10-13-17-26w-36w-46w', 1, 'drawer 2'),
  set('acoustic-phosphor-11-15-22w-32w-42w-52w', 2, 'drawer 1'),
  set('acoustic-phosphor-12-16-24w-32w-42w-53w', 4, 'drawer 1'),
  set('acoustic-8020-12-16-24w-32w-42w-53w', 1, 'drawer 1', 1, 3),
  set('classical-nylon-basses-28-32-40-29w-35w-43w', 2, 'drawer 3'),
  set('bass-nickel-45w-65w-85w-105w', 1, 'drawer 4', 2, 4),
  set('mandolin-phosphor-11-11-15-15-26w-26w-40w-40w', 3, 'drawer 5'),
  set('banjo-nickel-10-11-13-21w-10', 2, 'drawer 5'),
  set('ukulele-fluorocarbon-21-26-30-23', 1, 'drawer 6'),
  set('ukulele-nylon-24-32-40-28', 3, 'drawer 6'),
  ...STRINGS.filter(({ id }) => /^(electric|acoustic|mandolin|banjo)-plain-/.test(id)).map(({ id }, index): StockRow => ({
    kind: 'string',
    id,
    counted: (index * 5) % 9,
    reorderAt: 3,
    reorderTo: 12,
    shelf: 'tubes',
  })),
];
