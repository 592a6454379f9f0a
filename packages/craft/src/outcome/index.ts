/** What a user can cause is a value of this kind; what only we can cause is thrown. */
export type Outcome<T, P> = { ok: true; value: T } | { ok: false; problem: P };

export const done = <T>(value: T): { ok: true; value: T } => ({ ok: true, value });
export const refused = <P>(problem: P): { ok: false; problem: P } => ({ ok: false, problem });

/** Closes a switch over a union: a new member fails to compile here. */
export function unreachable(value: never): never {
  throw new TypeError(`unexpected ${JSON.stringify(value)}`);
}

/** @throws RangeError naming the first argument that is not finite and above zero: the edges have checked, so it is our bug. */
export function requirePositive(named: Readonly<Record<string, number>>): void {
  for (const [name, value] of Object.entries(named)) {
    if (!(Number.isFinite(value) && value > 0)) throw new RangeError(`${name} must be finite and above zero, was ${value}`);
  }
}
