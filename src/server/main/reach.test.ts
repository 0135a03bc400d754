import { afterEach, describe, expect, it, vi } from 'vitest';
import { listenAddresses } from './reach';

describe('from elsewhere', () => {
  afterEach(() => vi.unstubAllEnvs());
  const reach = (env: Record<string, string>) => {
    for (const [name, value] of Object.entries(env)) vi.stubEnv(name, value);
    return listenAddresses();
  };
  const key = 'a-key-of-some-length';

  it('is asked on loopback alone, or on more with an access key', () => {
    expect(reach({})).toEqual(['127.0.0.1']);
    expect(reach({ OILWICK_ADDRESS: '10.0.0.5', OILWICK_ACCESS_KEY: key })).toEqual([
      '127.0.0.1',
      '10.0.0.5',
    ]);
    expect(reach({ OILWICK_ADDRESS: '0.0.0.0' })).toEqual(['0.0.0.0']);
  });

  it.each([
    [{ OILWICK_ADDRESS: '0.0.0.0' }, /access key/],
    [{ OILWICK_ORIGINS: 'https://light.example.org' }, /access key/],
    [{ OILWICK_ADDRESS: '10.0.0.5', OILWICK_ACCESS_KEY: 'short' }, /at least 16/],
    [{ OILWICK_ORIGINS: 'http://light.example.org', OILWICK_ACCESS_KEY: key }, /must begin with https/],
    [{ OILWICK_ORIGINS: 'light.example.org', OILWICK_ACCESS_KEY: key }, /got light.example.org/],
    [{ OILWICK_ORIGINS: 'https://light.example.org/desk', OILWICK_ACCESS_KEY: key }, /got https/],
  ])('is not begun with %o', (env, words) => expect(() => reach(env)).toThrow(words));
});
