import { execFileSync } from 'node:child_process';
import type { ChildProcess } from 'node:child_process';
import { closeSync, existsSync, mkdirSync, openSync, rmSync, writeSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { freePort, startThrowAwayCluster } from '../postgres/cluster.js';
import { ensureDatabase } from '../postgres/database.js';
import { serverCommand, startServer, stopProcess } from '../server-process.js';

interface Server {
  port: number;
  child: ChildProcess | null;
}

/** Servers of one house on one database that keeps what it says it keeps; each can be killed and started again. */
export class House {
  private constructor(
    private readonly root: string,
    private readonly cluster: Awaited<ReturnType<typeof startThrowAwayCluster>>,
    private readonly databaseUrl: string,
    private readonly servers: Server[],
    private readonly disk: SmallDisk | null,
  ) {}

  static async open(root: string, count: number): Promise<House> {
    const disk = smallDisk();
    const cluster = await startThrowAwayCluster({ durable: true, ...(disk === null ? {} : { under: disk.folder }) });
    const databaseUrl = await ensureDatabase(cluster.url, 'gold_peg');
    serverCommand({ root, databaseUrl }, 'demo', 'rack');
    const house = new House(root, cluster, databaseUrl, [], disk);
    for (let each = 0; each < count; each++) house.servers.push({ port: await freePort(), child: null });
    await Promise.all(house.servers.map((_, index) => house.start(index)));
    return house;
  }

  get serverCount(): number {
    return this.servers.length;
  }

  /** One that is there, by turns, as a proxy chooses; a dead one where all are. */
  private turn = 0;
  readonly address = (): string => {
    this.turn++;
    const alive = this.servers.filter(({ child }) => child !== null);
    const server = (alive.length > 0 ? alive : this.servers)[this.turn % Math.max(1, alive.length)];
    return `http://127.0.0.1:${server?.port}`;
  };

  async start(index: number): Promise<void> {
    const server = this.servers[index];
    if (server === undefined || server.child !== null) return;
    const settings = { root: this.root, databaseUrl: this.databaseUrl, port: server.port, secret: 'a secret of the soak', demo: true };
    server.child = (await startServer(settings)).child;
  }

  async kill(index: number): Promise<void> {
    const server = this.servers[index];
    if (server?.child == null) return;
    const { child } = server;
    server.child = null;
    await stopProcess(child, 'SIGKILL');
  }

  /** The plug of the database is pulled, and put back in after a while. */
  async crashDatabase(forMs: number): Promise<void> {
    this.cluster.crash();
    await new Promise((resolve) => setTimeout(resolve, forMs));
    await this.cluster.revive();
  }

  /** Whether its disk can be filled here. */
  get canFill(): boolean {
    return this.disk !== null;
  }

  /** The disk of the database is full for a while; a database that gave up over it is started again. */
  async fillDisk(forMs: number): Promise<void> {
    if (this.disk === null) return;
    this.disk.fill();
    await new Promise((resolve) => setTimeout(resolve, forMs));
    this.disk.free();
    await this.cluster.revive();
  }

  async query<Row extends pg.QueryResultRow>(sql: string, parameters: unknown[] = []): Promise<Row[]> {
    const client = new pg.Client({ connectionString: this.databaseUrl });
    await client.connect();
    try {
      return (await client.query<Row>(sql, parameters)).rows;
    } finally {
      await client.end();
    }
  }

  async close(): Promise<void> {
    await Promise.all(this.servers.map((_, index) => this.kill(index)));
    this.cluster.stop();
    this.disk?.remove();
  }
}

interface SmallDisk {
  folder: string;
  fill(): void;
  free(): void;
  remove(): void;
}

const DISK_MB = 400;
const MEGABYTE = 1024 ** 2;

/** A disk of a few hundred megabytes, where this machine lets one be made; null where not. */
function smallDisk(): SmallDisk | null {
  const folder = `/tmp/gold-peg-soak-${process.pid}`;
  const ballast = join(folder, 'ballast');
  try {
    mkdirSync(folder, { recursive: true, mode: 0o755 });
    execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK_MB}m,mode=0755`, 'tmpfs', folder], { stdio: 'ignore' });
  } catch {
    rmSync(folder, { recursive: true, force: true });
    return null;
  }
  return {
    folder,
    fill() {
      const [file, piece] = [openSync(ballast, 'w'), Buffer.alloc(MEGABYTE)];
      try {
        for (;;) writeSync(file, piece); // to the last page, whatever the database takes or gives back meanwhile
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code !== 'ENOSPC') throw error;
      } finally {
        closeSync(file);
      }
    },
    free: () => existsSync(ballast) && rmSync(ballast),
    remove() {
      execFileSync('umount', [folder], { stdio: 'ignore' });
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
