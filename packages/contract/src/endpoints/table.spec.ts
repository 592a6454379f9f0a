import { describe, expect, it } from 'vitest';
import { ENDPOINTS, openApi, type Endpoint } from './index.js';

const table = Object.entries<Endpoint>(ENDPOINTS);

describe('the table of endpoints', () => {
  it('answers each method and path once', () => {
    const doors = table.map(([, { method, path }]) => `${method} ${path}`);
    expect(new Set(doors).size).toBe(doors.length);
  });

  it.each(table)('%s: parameters of the path are the ones it checks', (_name, { path, params }) => {
    const named = [...path.matchAll(/:(\w+)/g)].map(([, name]) => name);
    expect(Object.keys(params?.shape ?? {})).toEqual(named);
  });

  it.each(table)('%s: only what changes something has a body, or a file', (_name, endpoint) => {
    const { method, body } = endpoint;
    if (method === 'GET' || method === 'DELETE') expect(body).toBeUndefined();
    else expect('takes' in endpoint ? endpoint.takes : body).toBeDefined();
  });

  it('lets only signing in and looking be done by anyone, and what knows a secret: a calendar its address, whoever has a link its token', () => {
    const open = table.filter(([, { who }]) => who === 'anyone').map(([name]) => name);
    expect(open).toEqual(['health', 'ready', 'session', 'signIn', 'signInByCode', 'passphraseByLink', 'signOut', 'subscribedCalendar']);
  });

  it('becomes an OpenAPI document whose references all lead somewhere', () => {
    const text = JSON.stringify(openApi());
    const references = [...text.matchAll(/"\$ref":"#\/components\/schemas\/(\w+)"/g)].map(([, name]) => name);
    expect(new Set(references)).toEqual(new Set(['Problem']));
    expect(text).toContain('x-csrf-token');
  });
});
