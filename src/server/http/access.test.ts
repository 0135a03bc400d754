import { afterEach, describe, expect, it, vi } from 'vitest';
import { entryCookie, isLetIn } from './access';

afterEach(() => vi.unstubAllEnvs());

describe('an access key', () => {
  const key = 'a-key-of-some-length';

  it('lets in who has the key, by a cookie or with the request, and nobody else', () => {
    const headers = (all: Record<string, string>) => new Headers(all);
    expect(isLetIn(headers({}), '/')).toBe(true);
    vi.stubEnv('OILWICK_ACCESS_KEY', key);
    expect(isLetIn(headers({}), '/')).toBe(false);
    expect(isLetIn(headers({}), '/enter')).toBe(true);
    expect(isLetIn(headers({}), '/enterprise')).toBe(false);
    expect(isLetIn(headers({ authorization: `Bearer ${key}` }), '/api/projects')).toBe(true);
    expect(isLetIn(headers({ authorization: 'Bearer another' }), '/api/projects')).toBe(false);
    const [cookie] = entryCookie(true).split(';');
    expect(isLetIn(headers({ cookie: `a=b; ${cookie}` }), '/')).toBe(true);
    expect(isLetIn(headers({ cookie: `${cookie}0` }), '/')).toBe(false);
    expect(cookie).not.toContain(key);
    expect(entryCookie(true)).toContain('Secure');
  });
});
