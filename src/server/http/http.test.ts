import { describe, expect, it } from 'vitest';
import { InputFault } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import { NotFoundFault, StaleFault } from '../faults';
import { bytesOf, jsonOf, nameOf } from './body';
import { unfitRequest } from './door';
import { policy, refusal } from './guard';
import { etag, expectedRevision, patchOf } from './patch';
import { problemOf } from './problem';

const origins = ['http://127.0.0.1:4650', 'http://localhost:4650', 'https://light.example.org'];
const asked = { method: 'GET', host: '127.0.0.1:4650', origin: null, fetchSite: null, hasKey: false };

describe('the guard', () => {
  it('lets pages of our own read and change', () => {
    expect(refusal(asked, origins)).toBeNull();
    expect(refusal({ ...asked, fetchSite: 'same-origin' }, origins)).toBeNull();
    expect(refusal({ ...asked, method: 'POST', origin: 'http://127.0.0.1:4650' }, origins)).toBeNull();
    const afar = { ...asked, method: 'POST', host: 'light.example.org', origin: 'https://light.example.org' };
    expect(refusal(afar, origins)).toBeNull();
  });

  it('lets programs change that bring the access key', () => {
    expect(refusal({ ...asked, method: 'POST', hasKey: true }, origins)).toBeNull();
    const foreign = { ...asked, method: 'POST', hasKey: true, origin: 'http://evil.example' };
    expect(refusal(foreign, origins)).not.toBeNull();
  });

  it.each([
    ['another host', { host: 'evil.example:4650' }],
    ['no host', { host: null }],
    ['another port', { host: '127.0.0.1:80' }],
    ['a read from another site', { fetchSite: 'cross-site' }],
    ['a change from another origin', { method: 'POST', origin: 'http://evil.example' }],
    ['a change from another name of ours', { method: 'PATCH', origin: 'http://localhost:4650' }],
    [
      'a change without https',
      { method: 'POST', host: 'light.example.org', origin: 'http://light.example.org' },
    ],
    ['a change without an origin', { method: 'DELETE' }],
  ])('refuses %s', (_, fields) => expect(refusal({ ...asked, ...fields }, origins)).not.toBeNull());

  it('allows no inline script without the nonce', () => {
    const line = policy('n1');
    expect(line).toContain("script-src 'self' 'nonce-n1' 'strict-dynamic'");
    expect(line).not.toMatch(/script-src[^;]*unsafe-inline/);
  });
});

const post = (body: BodyInit, type = 'application/json') =>
  new Request('http://x/', { method: 'POST', body, headers: { 'content-type': type } });

describe('a body', () => {
  it('is refused for its type, its size, its depth and its form', async () => {
    await expect(jsonOf(post('{}', 'text/plain'))).rejects.toThrow(/must be application\/json/);
    await expect(bytesOf(post(new Uint8Array(20), 'image/png'), 'image/png', 10)).rejects.toThrow(/at most/);
    await expect(jsonOf(post('{'))).rejects.toThrow(/not JSON/);
    await expect(jsonOf(post('[1]'))).rejects.toThrow(/JSON object/);
    await expect(jsonOf(post(`${'{"a":'.repeat(40)}1${'}'.repeat(40)}`))).rejects.toThrow(/nested deeper/);
    expect(await jsonOf(post('{"a":1}'))).toEqual({ a: 1 });
  });

  it('must hold a name that is neither empty nor too long', () => {
    expect(nameOf({ name: '  Halt ' })).toBe('Halt');
    expect(() => nameOf({ name: '   ' })).toThrow(/missing/);
    expect(() => nameOf({ name: 'x'.repeat(LIMITS.nameLength + 1) })).toThrow(/at most/);
  });
});

describe('a request', () => {
  it.each([
    ['GET', '/api/blobs/abc?x=%', null],
    ['PATCH', '/api/scenes/%C3%A9', null],
    ['TRACE', '/', 405],
    ['BREW', '/', 405],
    ['GET', '/api/blobs/%E0%A4%A', 400],
    ['GET', '/%', 400],
  ])('%s %s is answered %s before it reaches a route', (method, url, status) =>
    expect(unfitRequest(method, url)?.status ?? null).toBe(status),
  );
});

describe('a patch', () => {
  const good = {
    transactionId: 'abcd-1234',
    edits: [{ collection: 'lights', id: 'l', before: null, after: { x: 1 } }],
  };

  it('is read by form', () => {
    const all = { patch: { ...good, author: null }, piece: null, changeNumber: Number.MAX_SAFE_INTEGER };
    expect(patchOf(good)).toEqual(all);
    const [piece, author] = [
      { place: 1, of: 3 },
      { id: 'browser-1', name: 'Ann' },
    ];
    expect(patchOf({ ...good, piece, author, changeNumber: 4 })).toEqual({
      patch: { ...good, author },
      ...{ piece, changeNumber: 4 },
    });
    const seen = { collection: 'lights', id: 'l', seen: '0123456789abcdef', after: null };
    expect(patchOf({ ...good, edits: [seen] }).patch.edits).toEqual([seen]);
  });

  it.each([
    [{ ...good, transactionId: 'x' }, /transactionId/],
    [{ ...good, edits: [] }, /edits/],
    [
      { ...good, edits: [{ collection: 'people', id: 'l', before: null, after: {} }] },
      /edits\.0\.collection/,
    ],
    [
      { ...good, edits: [{ collection: 'lights', id: '__proto__', before: null, after: {} }] },
      /edits\.0\.id/,
    ],
    [{ ...good, edits: [{ collection: 'lights', id: 'l', before: null, after: null }] }, /changes nothing/],
    [{ ...good, edits: [{ collection: 'lights', id: 'l', before: [], after: {} }] }, /edits\.0\.before/],
  ])('is refused by field: %#', (value, words) => expect(() => patchOf(value)).toThrow(words));

  it('names the revision that it was made for', () => {
    const request = (header?: string) =>
      new Request('http://x/', header === undefined ? {} : { headers: { 'if-match': header } });
    expect(expectedRevision(request(etag(17)))).toBe(17);
    expect(() => expectedRevision(request())).toThrow(/If-Match/);
    expect(() => expectedRevision(request('17'))).toThrow(/written like/);
  });
});

describe('a fault', () => {
  it('becomes a problem with its status, words and field', async () => {
    const response = problemOf(new InputFault('The level is too high.', 'lights.l.level'));
    expect(response.status).toBe(422);
    expect(response.headers.get('content-type')).toContain('problem+json');
    expect(await response.json()).toMatchObject({
      status: 422,
      detail: 'The level is too high.',
      field: 'lights.l.level',
    });
    expect(problemOf(new NotFoundFault('x')).status).toBe(404);
    expect(await problemOf(new StaleFault(3, 5)).json()).toMatchObject({
      status: 412,
      expectedRevision: 3,
      revision: 5,
    });
    expect(problemOf(Object.assign(new Error('connect'), { code: 'ECONNREFUSED' })).status).toBe(503);
  });

  it('of an unknown kind tells nothing of its inside', async () => {
    const problem = await problemOf(new Error('INSERT INTO blob_chunk VALUES secret')).json();
    expect(JSON.stringify(problem)).not.toMatch(/INSERT|secret/);
  });
});
