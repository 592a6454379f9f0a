import { costOf, hasMoved, type Bench, type Free, type Left } from './bench.js';
import { Calendar, type Spot } from './calendar.js';
import { compare, STAYS_WITHIN, type Minute, type Objective } from './model.js';

/** Where a search stands. */
interface State {
  /** Free operations of each job that are placed. */
  progress: number[];
  hands: (number | null)[];
  /** When each person is free again, and when each job that goes on ended so far. */
  people: Minute[];
  ends: Minute[];
  /** Nothing that follows begins before it. */
  since: Minute;
  sum: Objective;
}

export interface Exact {
  spots: readonly (readonly Spot[] | null)[];
  objective: Objective;
  /** Every way was tried, or was seen to be no better. */
  finished: boolean;
}

/**
 * Tries every order in which starts do not go back, each operation as early as its person and its job let it: one of these is as good as any. What cannot be better than the best so far by the chains of its jobs
 * alone is left, and so is what stands in every way behind another that has placed the same. `goesOn` says whether there is time for one more step.
 */
export function searchAll(bench: Bench, begun: Calendar, goesOn: () => boolean): Exact {
  const { left, gaps } = bench;
  const empty = new Calendar(bench);
  let best = { spots: left.map((_, job) => begun.spotsOf(job)), objective: begun.objective() };
  const placed: Spot[][] = left.map(() => []);
  const seen = new Map<string, State[]>();
  let finished = true;

  /** Of a state, what its jobs come to at least: each by its own chain, as if nobody else were there. */
  function atLeast({ progress, ends, hands, sum, since }: State): Objective {
    let { late, tardiness, moved, flow } = sum;
    for (const [job, each] of left.entries()) {
      const at = progress[job] ?? 0;
      if (at >= each.free.length) continue;
      let [end, own, fits] = [ends[job] ?? 0, 0, each.never === null];
      for (const [index, free] of each.free.slice(at).entries()) {
        const from = Math.max(end + free.after, index === 0 ? since : 0);
        const people = free.same && hands[job] !== null ? [hands[job] ?? 0] : each.can;
        const start = free.pin?.start ?? Math.min(...people.map((person) => empty.earliest(person, from, free.minutes)));
        fits &&= Number.isFinite(start) && start >= from;
        end = start + free.minutes;
        own += end;
      }
      if (fits) {
        const cost = costOf(each, end);
        late += cost.late;
        tardiness += cost.tardiness;
        flow += own;
        continue;
      }
      // what was begun has to be finished, and cannot be
      if (at > 0) return { late: Infinity, tardiness: Infinity, moved, flow: Infinity };
      late += each.leftOut.late;
      tardiness += each.leftOut.tardiness;
      moved += each.leftOut.moved;
      flow += each.leftOut.flow;
    }
    return { late, tardiness, moved, flow };
  }

  function isBehind(state: State): boolean {
    const key = `${state.progress.join()}|${state.hands.join()}`;
    const others = seen.get(key) ?? [];
    const before = (one: State, other: State) =>
      compare(one.sum, other.sum) <= 0 &&
      one.since <= other.since &&
      one.people.every((free, person) => free <= (other.people[person] ?? 0)) &&
      one.ends.every((end, job) => end <= (other.ends[job] ?? 0));
    if (others.some((other) => before(other, state))) return true;
    seen.set(key, [...others.filter((other) => !before(state, other)), state]);
    return false;
  }

  function close(state: State): void {
    // a job that was begun has to be finished; one that was not is left out
    let { late, tardiness, moved, flow } = state.sum;
    for (const [job, each] of left.entries()) {
      const at = state.progress[job] ?? 0;
      if (at >= each.free.length) continue;
      if (at > 0) return;
      late += each.leftOut.late;
      tardiness += each.leftOut.tardiness;
      moved += each.leftOut.moved;
      flow += each.leftOut.flow;
    }
    const objective = { late, tardiness, moved, flow };
    if (compare(objective, best.objective) >= 0) return;
    best = {
      spots: left.map((each, job) => ((state.progress[job] ?? 0) >= each.free.length ? [...(placed[job] as Spot[])] : null)),
      objective,
    };
  }

  function go(state: State): void {
    if (!finished || !goesOn()) {
      finished = false;
      return;
    }
    if (compare(atLeast(state), best.objective) >= 0 || isBehind(state)) return;
    close(state);
    const next: { job: number; spot: Spot }[] = [];
    for (const [job, each] of left.entries()) {
      const at = state.progress[job] ?? 0;
      const free = each.free[at];
      if (free === undefined || each.never !== null) continue;
      const from = (state.ends[job] ?? 0) + free.after;
      if (free.pin !== null) {
        const { person, start } = free.pin;
        if (start >= from && start >= state.since) next.push({ job, spot: { free: at, person, start, end: start + free.minutes } });
        continue;
      }
      const hand = state.hands[job] ?? null;
      for (const person of free.same && hand !== null ? [hand] : each.can) {
        const since = Math.max(from, state.people[person] ?? 0);
        const begins = new Set([empty.earliest(person, since, free.minutes)]);
        // it may wait for where it lay
        if (free.lay?.person === person) begins.add(empty.earliest(person, Math.max(since, free.lay.start - STAYS_WITHIN), free.minutes));
        for (const start of begins) {
          const end = start + free.minutes;
          if (Number.isFinite(start) && start >= state.since) next.push({ job, spot: { free: at, person, start, end } });
        }
      }
    }
    next.sort((a, b) => a.spot.start - b.spot.start || a.spot.end - b.spot.end);
    for (const { job, spot } of next) {
      const own = placed[job] as Spot[];
      own.push(spot);
      go(after(state, job, spot));
      own.pop();
    }
  }

  function after(state: State, job: number, { person, start, end, free }: Spot): State {
    const each = left[job] as Left;
    const piece = each.free[free] as Free;
    const isLast = free === each.free.length - 1;
    const cost = isLast ? costOf(each, end) : { late: 0, tardiness: 0 };
    return {
      progress: state.progress.with(job, free + 1),
      hands: piece.same ? state.hands.with(job, person) : state.hands,
      people: piece.pin === null ? state.people.with(person, end) : state.people,
      // nothing waits for the end of a job that is over: two orders of the same come to the same
      ends: state.ends.with(job, isLast ? 0 : end),
      since: start,
      sum: {
        late: state.sum.late + cost.late,
        tardiness: state.sum.tardiness + cost.tardiness,
        moved: state.sum.moved + (hasMoved(piece.lay, person, start) ? 1 : 0),
        flow: state.sum.flow + end,
      },
    };
  }

  const over = left.filter(({ free }) => free.length === 0).map((each) => costOf(each, each.from));
  go({
    progress: left.map(() => 0),
    hands: left.map(({ hand }) => hand),
    people: gaps.map(() => 0),
    ends: left.map(({ from }) => from),
    since: 0,
    sum: {
      late: over.reduce((sum, { late }) => sum + late, 0),
      tardiness: over.reduce((sum, { tardiness }) => sum + tardiness, 0),
      moved: bench.startedMoved,
      flow: bench.started.reduce((sum, { end }) => sum + end, 0),
    },
  });
  return { ...best, finished };
}
