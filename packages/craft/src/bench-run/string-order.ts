import type { StringOrder } from '../methods/index.js';

/** Zero-based positions of `count` strings in the order they are worked. */
export function stringOrder(order: StringOrder, count: number): number[] {
  const lowFirst = Array.from({ length: count }, (_, index) => count - 1 - index);
  switch (order) {
    case 'low-first':
      return lowFirst;
    case 'high-first':
      return lowFirst.reverse();
    case 'outside-in':
      return outsideIn(lowFirst);
    case 'inside-out':
      return outsideIn(lowFirst).reverse();
    case 'toward-middle': {
      // basses from the lowest, then trebles from the highest: 6 5 4 1 2 3
      const bass = lowFirst.slice(0, Math.ceil(count / 2));
      return [...bass, ...lowFirst.slice(bass.length).reverse()];
    }
    case 'alternating': {
      // one of the bass half, one of the treble half, each from its low end: the neck is pulled evenly
      const bass = lowFirst.slice(0, Math.ceil(count / 2));
      const treble = lowFirst.slice(bass.length);
      return bass.flatMap((string, index) => [string, ...treble.slice(index, index + 1)]);
    }
  }
}

/** Lowest, highest, next lowest, next highest … */
const outsideIn = (lowFirst: readonly number[]): number[] =>
  lowFirst.map((_, index) => lowFirst.at(index % 2 === 0 ? index / 2 : -(index + 1) / 2) ?? index);
