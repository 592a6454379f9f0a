import { Piscina } from 'piscina';
import type { FileFormat, FileKind } from '@gold-peg/contract/files';
import { readFile, type ReadFile } from '@gold-peg/contract/sheets';

/** A text of that length is read in a moment; a longer one may take longer than others should wait. */
const SHORT = 30_000;
const IDLE_MS = 30_000;

// from its sources, as specs run it, the thread needs what reads TypeScript
const isSource = import.meta.url.endsWith('.ts');
const threads = new Piscina({
  filename: new URL(`./read-file.thread.${isSource ? 'ts' : 'js'}`, import.meta.url).href,
  minThreads: 0,
  maxThreads: 1,
  idleTimeout: IDLE_MS,
  ...(isSource ? { execArgv: ['--import', 'tsx'] } : {}),
});

export interface FileText {
  kind: FileKind;
  format: FileFormat;
  text: string;
}

/** Reads a file in a thread of its own where it is long, so that everybody else is answered meanwhile. */
export function readApart<K extends FileKind>(kind: K, format: FileFormat, text: string): Promise<ReadFile<K>> {
  if (text.length <= SHORT) return Promise.resolve(readFile(kind, format, text));
  return threads.run({ kind, format, text } satisfies FileText) as Promise<ReadFile<K>>;
}
