import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';

export interface ServerSettings {
  root: string;
  databaseUrl: string;
  port: number;
  secret: string;
  demo: boolean;
  /** Where messages to owners lie as files; a folder of the machine's own for what passes where it is left out. */
  outboxFolder?: string;
  /** Where copies of the house lie; none are made where it is left out. */
  copiesFolder?: string;
  /** When it begins by its own clock; now where it is left out. */
  clock?: string | null;
}

const mainFile = (root: string) => join(root, 'apps/server/dist/main.js');

/** Runs one of the server's commands to its end and returns what it printed. @throws Error with what it complained of. */
export function serverCommand(
  { root, databaseUrl, clock }: Pick<ServerSettings, 'root' | 'databaseUrl' | 'clock'>,
  ...words: string[]
): string {
  const run = spawnSync(process.execPath, [mainFile(root), ...words], {
    cwd: root,
    env: { ...process.env, DATABASE_URL: databaseUrl, ...(clock != null && { GOLD_PEG_CLOCK: clock }) },
    encoding: 'utf8',
  });
  if (run.status !== 0) throw new Error(run.stderr.trim() || `the server's ${words[0] ?? ''} ended with ${run.status}`);
  return run.stdout.trim();
}

/** Starts the server and resolves with its address once it listens. */
export function startServer({
  root,
  databaseUrl,
  port,
  secret,
  demo,
  outboxFolder,
  copiesFolder,
  clock,
}: ServerSettings): Promise<{ child: ChildProcess; address: string }> {
  const env = {
    ...process.env,
    DATABASE_URL: databaseUrl,
    PORT: String(port),
    SESSION_SECRET: secret,
    WEB_FOLDER: join(root, 'apps/web/dist/browser'),
    DEMO: demo ? '1' : '0',
    ...(outboxFolder !== undefined && { OUTBOX_FOLDER: outboxFolder }),
    ...(copiesFolder !== undefined && { COPIES_FOLDER: copiesFolder }),
    ...(clock != null && { GOLD_PEG_CLOCK: clock }),
  };
  const child = spawn(process.execPath, [mainFile(root), 'serve'], { cwd: root, env, stdio: ['ignore', 'pipe', 'inherit'] });
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    child.stdout.on('data', (chunk: Buffer) => {
      const address = /listening on (\S+)/.exec(chunk.toString())?.[1];
      if (address !== undefined) resolve({ child, address });
    });
  });
}

/** Asks a process to end and resolves when it has. */
export function stopProcess(child: ChildProcess, signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    child.once('exit', () => resolve());
    child.kill(signal);
  });
}
