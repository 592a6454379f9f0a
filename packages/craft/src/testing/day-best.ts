import { compare, type InForce, type Job, type Objective, type Person, type Placed, type Plan, type Rack } from '../day/index.js';

/** The least objective there is, by trying every order, every person, and every set of jobs to leave out; each operation as early as it fits, or as early as it has not moved. */
export function bestByTrying({ people, jobs, now }: Rack, inForce: readonly InForce[] = []): Objective {
  const last = Math.max(now, ...people.flatMap(({ windows }) => windows.map(([, until]) => until)));
  const outOf = ({ weight, due, operations }: Job): Objective => ({
    late: weight,
    tardiness: weight * Math.max(0, last + operations.reduce((sum, { minutes }) => sum + minutes, 0) - due),
    moved: 0,
    flow: 0,
  });
  let best: Objective = { late: Infinity, tardiness: Infinity, moved: Infinity, flow: Infinity };
  const fits = (person: Person, taken: readonly Placed[], from: number, minutes: number): number => {
    for (let at = from; at < last; at++) {
      const inside = person.windows.some(([a, b]) => a <= at && at + minutes <= b);
      if (inside && !taken.some((each) => each.person === person.id && each.start < at + minutes && at < each.end)) return at;
    }
    return Infinity;
  };
  type Open = { job: Job; at: number; end: number; hand: string | null };
  const go = (left: readonly Open[], taken: readonly Placed[], sum: Objective): void => {
    if (left.length === 0) {
      if (compare(sum, best) < 0) best = sum;
      return;
    }
    for (const each of left) {
      const operation = each.job.operations[each.at];
      if (operation === undefined) continue;
      for (const person of people) {
        if (!person.can.includes(each.job.kind) || (operation.same && each.hand !== null && each.hand !== person.id)) continue;
        const lay = inForce.find((other) => other.job === each.job.id && other.operation === operation.id);
        const from = Math.max(now, each.end + operation.after);
        for (const since of new Set([from, lay?.person === person.id ? Math.max(from, lay.start - 30) : from])) {
          const start = fits(person, taken, since, operation.minutes);
          if (!Number.isFinite(start)) continue;
          const end = start + operation.minutes;
          const isLast = each.at === each.job.operations.length - 1;
          const { due, weight } = each.job;
          const next = {
            late: sum.late + (isLast && end > due ? weight : 0),
            tardiness: sum.tardiness + (isLast ? weight * Math.max(0, end - due) : 0),
            moved: sum.moved + (lay !== undefined && (lay.person !== person.id || Math.abs(lay.start - start) > 30) ? 1 : 0),
            flow: sum.flow + end,
          };
          const moved = { ...each, at: each.at + 1, end, hand: operation.same ? person.id : each.hand };
          const rest = left.flatMap((other) => (other !== each ? [other] : isLast ? [] : [moved]));
          go(rest, [...taken, { job: each.job.id, operation: operation.id, person: person.id, start, end }], next);
        }
      }
    }
  };
  for (let set = 0; set < 2 ** jobs.length; set++) {
    const [inside, outside] = [jobs.filter((_, nth) => (set >> nth) % 2 === 1), jobs.filter((_, nth) => (set >> nth) % 2 === 0)];
    const out = outside.map(outOf).reduce((a, b) => ({ late: a.late + b.late, tardiness: a.tardiness + b.tardiness, moved: 0, flow: 0 }), {
      late: 0,
      tardiness: 0,
      moved: 0,
      flow: 0,
    });
    const left = inside.map((each) => ({ job: each, at: 0, end: Math.max(each.ready, each.hold ?? 0), hand: null }));
    go(left, [], out);
  }
  return best;
}

/** What is wrong with a plan of a rack; nothing where all holds. */
export function faultsOf({ people, jobs, now, done, started, pinned }: Rack, { operations, unplanned, objective }: Plan): string[] {
  const faults: string[] = [];
  const isStarted = (each: Placed) => started.some((other) => other.job === each.job && other.operation === each.operation);
  for (const [nth, each] of operations.entries()) {
    const person = people.find(({ id }) => id === each.person);
    if (!isStarted(each) && each.start < now) faults.push('before now');
    if (!isStarted(each) && person?.windows.some(([from, until]) => from <= each.start && each.end <= until) !== true)
      faults.push('outside');
    for (const other of operations.slice(nth + 1))
      if (other.person === each.person && other.start < each.end && each.start < other.end) faults.push('over another');
  }
  for (const each of jobs) {
    const own = each.operations.map(({ id }) => operations.find((placed) => placed.job === each.id && placed.operation === id));
    if (unplanned.includes(each.id)) continue;
    let end = Math.max(each.ready, each.hold ?? 0);
    const hands = new Set<string>();
    for (const [index, { id, minutes, after, same }] of each.operations.entries()) {
      const over = done.find((other) => other.job === each.id && other.operation === id);
      const placed = own[index];
      if (over === undefined && placed === undefined) faults.push(`${each.id} lacks ${id}`);
      if (placed !== undefined && !isStarted(placed)) {
        if (placed.start < end + after) faults.push('too early');
        if (placed.end - placed.start !== minutes) faults.push('of another length');
        if (people.find((person) => person.id === placed.person)?.can.includes(each.kind) !== true) faults.push('cannot');
      }
      end = over?.end ?? placed?.end ?? end;
      const hand = over?.person ?? placed?.person;
      if (same && hand !== undefined) hands.add(hand);
    }
    if (hands.size > 1) faults.push('in two hands');
  }
  for (const pin of pinned)
    if (
      !operations.some(
        (each) => each.job === pin.job && each.operation === pin.operation && each.start === pin.start && each.person === pin.person,
      )
    )
      faults.push('a pin moved');
  const flow = operations.reduce((sum, { end }) => sum + end, 0);
  return flow === objective.flow ? faults : [...faults, 'another flow'];
}
