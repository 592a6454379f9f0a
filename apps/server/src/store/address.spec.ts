import { describe, expect, it } from 'vitest';
import { inDatabase, readAddress } from './address.js';

describe('the address of a database', () => {
  it('names one host, with or without its port', () => {
    expect(readAddress('postgres://a:b@127.0.0.1:5433/gold_peg')).toEqual({
      url: 'postgres://a:b@127.0.0.1:5433/gold_peg',
      hosts: [{ host: '127.0.0.1', port: 5433 }],
    });
    expect(readAddress('postgresql://shop/gold_peg?sslmode=require').url).toBe('postgresql://shop:5432/gold_peg?sslmode=require');
  });

  it('names several between commas, of which the first stands for who knows only one', () => {
    const { url, hosts } = readAddress('postgres://a:b@first,second:5433/gold_peg');
    expect(hosts).toEqual([{ host: 'first', port: 5432 }, { host: 'second', port: 5433 }]); // prettier-ignore
    expect(url).toBe('postgres://a:b@first:5432/gold_peg');
  });

  it.each(['', 'mysql://a/b', 'postgres://', 'postgres://a:b@,second/name'])('is not %j', (text) => {
    expect(() => readAddress(text)).toThrow('must be an address such as');
  });

  it('leads to another database of the same hosts', () => {
    expect(inDatabase('postgres://a:b@first,second:5433/one?x=1', 'two')).toBe('postgres://a:b@first,second:5433/two?x=1');
  });
});
