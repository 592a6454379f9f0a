import { beforeEach, describe, expect, it } from 'vitest';
import { problem } from '@gold-peg/contract/problems';
import { Keeper } from './keeper';
import { ServerProblem } from './server-problem';

interface Row {
  id: string;
  version: number;
  name: string;
  remark: string;
}

/** A row that several people change: what is sent against an old version is refused with what stands now. */
let row: Row;
const sent: Row[] = [];
beforeEach(() => {
  row = { id: 'a', version: 1, name: 'Heron', remark: '' };
  sent.length = 0;
});
function send(on: Row, change: Partial<Row>): Promise<Row> {
  sent.push(on);
  if (on.version !== row.version) return Promise.reject(new ServerProblem({ ...problem('stale', 'somebody was quicker'), current: row }));
  row = { ...row, ...change, version: row.version + 1 };
  return Promise.resolve(row);
}
const rename = (keeper: Keeper<Row>, read: Row, name: string) =>
  keeper.keep({ read, untouched: (now, before) => now.name === before.name, send: (on) => send(on, { name }) });
const somebody = (change: Partial<Row>) => (row = { ...row, ...change, version: row.version + 1 });

describe('keeping a change', () => {
  const open = () => new Keeper((current) => current as Row);

  it('goes through where nobody else was there', async () => {
    const keeper = open();
    expect(await rename(keeper, row, 'Wren')).toEqual({ id: 'a', version: 2, name: 'Wren', remark: '' });
    expect(keeper.now()).toBeNull();
  });

  it('goes on top where somebody changed something else, and leaves that as they had it', async () => {
    const read = row;
    somebody({ remark: 'buzzes' });
    expect(await rename(open(), read, 'Wren')).toEqual({ id: 'a', version: 3, name: 'Wren', remark: 'buzzes' });
  });

  it('shows what stands now where somebody changed the same, and keeps it on top when asked once more', async () => {
    const keeper = open();
    const read = row;
    somebody({ name: 'Finch' });
    expect(await rename(keeper, read, 'Wren')).toBeNull();
    expect(keeper.now()).toEqual({ id: 'a', version: 2, name: 'Finch', remark: '' });
    expect(row.name).toBe('Finch');
    expect((await rename(keeper, read, 'Wren'))?.name).toBe('Wren');
    expect(keeper.now()).toBeNull();
  });

  it('shows it again where somebody was quicker once more', async () => {
    const keeper = open();
    const read = row;
    somebody({ name: 'Finch' });
    await rename(keeper, read, 'Wren');
    somebody({ name: 'Rook' });
    expect(await rename(keeper, read, 'Wren')).toBeNull();
    expect(keeper.now()?.name).toBe('Rook');
    expect(row.name).toBe('Rook');
  });

  it('never puts on one thing what was typed for another, though the first was left in a clash', async () => {
    const keeper = open();
    const read = row;
    somebody({ name: 'Finch' });
    await rename(keeper, read, 'Wren');
    row = { id: 'b', version: 4, name: 'Gannet', remark: '' };
    expect(keeper.inTheWayOf(row)).toBeNull();
    await rename(keeper, row, 'Kelp');
    expect(sent.at(-1)?.id).toBe('b');
    expect(row).toMatchObject({ id: 'b', name: 'Kelp' });
  });

  it('acts once while it is under way', async () => {
    const keeper = open();
    await Promise.all([rename(keeper, row, 'Wren'), rename(keeper, row, 'Wren')]);
    expect(sent).toHaveLength(1);
  });

  it('says anything else that is wrong', async () => {
    const keeper = open();
    const wrong = new ServerProblem(problem('invalid', 'name must not be empty'));
    expect(await keeper.keep({ read: row, untouched: () => true, send: () => Promise.reject(wrong) })).toBeNull();
    expect(keeper.fault()).toBe('name must not be empty');
  });
});
