import { once } from 'node:events';
import { get, type IncomingMessage } from 'node:http';
import type { Visitor } from './questions.js';

/** Of each place in the log, when browsers heard of it, one after the other: milliseconds since 1970. */
export type Heard = Map<number, number[]>;

const heard: Heard = new Map();
const now = () => performance.timeOrigin + performance.now();

/** A browser that listens: every place in the log that it is told of is written down with its moment. */
function listen({ address, headers }: Visitor): Promise<IncomingMessage> {
  return new Promise((resolve, reject) => {
    get(`${address}/api/feed`, { headers, agent: false }, (line) => {
      let rest = '';
      line.setEncoding('utf8');
      line.on('error', () => {}); // it is hung up in the end
      line.on('data', (chunk: string) => {
        const at = now();
        const lines = (rest + chunk).split('\n');
        rest = lines.pop() ?? '';
        for (const each of lines) {
          const seq = /"seq":(\d+)/.exec(each)?.[1];
          if (seq === undefined) continue;
          const times = heard.get(Number(seq));
          if (times === undefined) heard.set(Number(seq), [at]);
          else times.push(at);
        }
      });
      if (line.statusCode === 200) resolve(line);
      else reject(new Error(`the feed is answered with ${line.statusCode}`));
    }).on('error', reject);
  });
}

// a process of its own: whoever appends is not held up by those who listen
const [visitors] = (await once(process, 'message')) as [readonly Visitor[]];
const lines: IncomingMessage[] = [];
for (const visitor of visitors) lines.push(await listen(visitor));
process.send?.('listening');
await once(process, 'message');
for (const line of lines) line.destroy();
process.send?.(heard);
