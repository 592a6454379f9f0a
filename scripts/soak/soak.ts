import { Device, pause } from './device.js';
import { House } from './house.js';

const HOUR_MS = 3_600_000;
/** Wrong clocks of the devices: right, behind by hours, ahead by hours. */
const CLOCKS = [0, -7 * HOUR_MS, 5 * HOUR_MS];
/** A step at every bench so often: faster than hands work, and a job of half an hour has a log of thousands. */
const STEP_MS = 800;
/** Long enough for a server to start, and for a device to find out. */
const DRAIN_MS = 120_000;
const SIGN_IN = { name: 'Corin Vell', passphrase: 'four turns below the hole' };

const FAULTS = [
  'server killed',
  'database crashed',
  'browser killed',
  'network dropped',
  'network slow',
  'answers lost',
  'disk full',
] as const;
export type Fault = (typeof FAULTS)[number];

/** What a soak came to. */
export interface Soaked {
  seconds: number;
  devices: number;
  jobs: number;
  made: number;
  acknowledged: number;
  sentAgain: number;
  refused: readonly string[];
  /** Acknowledged, and not in the log. */
  lost: number;
  /** In the log more than once. */
  doubled: number;
  /** Never acknowledged, though everything was well again at the end. */
  stuck: number;
  /** Jobs of which two devices read different logs. */
  disagreeing: number;
  faults: Readonly<Record<Fault, number>>;
  /** Whether the disk could be filled on this machine. */
  couldFill: boolean;
}

/** Works at several benches while all goes wrong that can, at random and repeatable by its seed; then looks what became of it. */
export async function soak(root: string, { seconds, seed = 1 }: { seconds: number; seed?: number }): Promise<Soaked> {
  const house = await House.open(root, 2);
  try {
    const jobs = await house.query<{ id: string; instrumentId: string }>(
      `SELECT id, instrument_id AS "instrumentId" FROM job WHERE state <> 'handed-over' ORDER BY id LIMIT 4`,
    );
    // two devices on each job, with clocks that differ by hours
    const devices = jobs.flatMap((job, index) =>
      [0, 1].map((each) => new Device(house.address, SIGN_IN, job, CLOCKS[(index + each) % CLOCKS.length] ?? 0)),
    );
    for (const device of devices) await device.enter();
    const faults = await workThrough(house, devices, { seconds, random: randomFrom(seed) });
    return {
      seconds,
      jobs: jobs.length,
      devices: devices.length,
      faults,
      couldFill: house.canFill,
      ...(await lookAt(house, devices, jobs)),
    };
  } finally {
    await house.close();
  }
}

async function workThrough(
  house: House,
  devices: readonly Device[],
  { seconds, random }: { seconds: number; random: () => number },
): Promise<Record<Fault, number>> {
  const until = Date.now() + seconds * 1000;
  const working = () => Date.now() < until;
  let sending = true;
  const benches = devices.map(async (device, index) => {
    for (let step = 0; working(); step++) {
      device.note(`step ${step} of device ${index}`);
      await pause(STEP_MS * (0.5 + random()));
    }
  });
  const senders = devices.map((device) => device.send(() => sending));
  const faults = await misfortune(house, devices, { working, random });
  await Promise.all(benches);
  // all is well again: what waits arrives
  const patience = Date.now() + DRAIN_MS;
  while (devices.some(({ left }) => left > 0) && Date.now() < patience) await pause(100);
  sending = false;
  await Promise.all(senders);
  return faults;
}

/** One thing after the other goes wrong, each for a while. */
async function misfortune(
  house: House,
  devices: readonly Device[],
  { working, random }: { working: () => boolean; random: () => number },
): Promise<Record<Fault, number>> {
  const counts = Object.fromEntries(FAULTS.map((fault) => [fault, 0])) as Record<Fault, number>;
  const one = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T;
  const able = FAULTS.filter((fault) => fault !== 'disk full' || house.canFill);
  const bag: Fault[] = [];
  while (working()) {
    // each of them once before any comes again
    if (bag.length === 0) bag.push(...[...able].sort(() => random() - 0.5));
    const fault = bag.pop();
    if (fault === undefined) break;
    counts[fault]++;
    const lasts = 300 + 1500 * random();
    const device = one(devices);
    switch (fault) {
      case 'server killed': {
        const index = Math.floor(random() * house.serverCount);
        await house.kill(index);
        await pause(lasts);
        await house.start(index);
        break;
      }
      case 'database crashed':
        await house.crashDatabase(lasts);
        break;
      case 'disk full':
        await house.fillDisk(lasts);
        break;
      case 'browser killed':
        device.reopen();
        break;
      case 'network dropped':
        await during(
          lasts,
          () => (device.network.down = true),
          () => (device.network.down = false),
        );
        break;
      case 'network slow':
        await during(
          lasts,
          () => (device.network.slowMs = 800),
          () => (device.network.slowMs = 0),
        );
        break;
      case 'answers lost':
        await during(
          lasts,
          () => (device.network.losesAnswers = true),
          () => (device.network.losesAnswers = false),
        );
        break;
    }
    await pause(500 * random());
  }
  for (let index = 0; index < house.serverCount; index++) await house.start(index);
  return counts;
}

async function during(ms: number, begins: () => void, ends: () => void): Promise<void> {
  begins();
  await pause(ms);
  ends();
}

type Found = Pick<Soaked, 'made' | 'acknowledged' | 'sentAgain' | 'refused' | 'lost' | 'doubled' | 'stuck' | 'disagreeing'>;

async function lookAt(house: House, devices: readonly Device[], jobs: readonly { id: string }[]): Promise<Found> {
  const acknowledged = devices.flatMap((device) => [...device.acknowledged.keys()]);
  const kept = await house.query<{ id: string; n: number }>(
    'SELECT id, count(*)::int AS n FROM bench_event WHERE id = ANY($1) GROUP BY id',
    [devices.flatMap(({ made }) => made)],
  );
  const counts = new Map(kept.map(({ id, n }) => [id, n]));
  const logs = await Promise.all(devices.map((device) => device.reads()));
  const disagreeing = jobs.filter((_, index) => logs[2 * index]?.join() !== logs[2 * index + 1]?.join()).length;
  return {
    made: devices.reduce((sum, device) => sum + device.made.length, 0),
    acknowledged: acknowledged.length,
    sentAgain: devices.reduce((sum, device) => sum + device.sentAgain, 0),
    refused: devices.flatMap(({ refused }) => refused),
    lost: acknowledged.filter((id) => !counts.has(id)).length,
    doubled: [...counts.values()].filter((n) => n > 1).length,
    stuck: devices.reduce((sum, { left }) => sum + left, 0),
    disagreeing,
  };
}

/** Numbers from 0 to 1, the same for the same seed (a linear congruential generator; Knuth, MMIX). */
function randomFrom(seed: number): () => number {
  let state = BigInt(seed);
  return () => {
    state = (state * 6364136223846793005n + 1442695040888963407n) & 0xffffffffffffffffn;
    return Number(state >> 11n) / 2 ** 53;
  };
}
