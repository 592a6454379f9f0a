import type { OrderLine } from '@gold-peg/contract/stock';

/** Whoever brings strings: a person with a telephone, a service on the net, or the stand-in below. */
export interface Supplier {
  name: string;
  /** Takes an order, once for each id, and says what it is called there and when it will come. */
  place(id: string, lines: readonly OrderLine[], now: Date): Promise<{ reference: string; promisedAt: Date }>;
  /** Whether an order has come. */
  hasArrived(order: { reference: string; promisedAt: Date }, now: Date): Promise<boolean>;
}

/** Time for a parcel in a small harbour town, shortened so that it can be watched. */
const ON_THE_WAY_MS = 90_000;

/** Stands in for a supplier: takes every order, and delivers all of it a little later. */
export const simulatedSupplier: Supplier = {
  name: 'Simulated supplier',
  place: (id, lines, now) =>
    Promise.resolve({
      reference: `sim-${id.slice(-12)}-${lines.length}`,
      promisedAt: new Date(now.getTime() + ON_THE_WAY_MS),
    }),
  hasArrived: ({ promisedAt }, now) => Promise.resolve(promisedAt <= now),
};
