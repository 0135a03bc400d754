import { readFileSync, statSync } from 'node:fs';
import { expect, it } from 'vitest';

it('commands that the package brings can be run: an installation has nothing to change about them', () => {
  const { bin } = JSON.parse(readFileSync('package.json', 'utf8')) as { bin: Record<string, string> };
  expect(Object.keys(bin)).toContain('oilwick');
  for (const file of Object.values(bin)) expect(statSync(file).mode & 0o111).toBe(0o111);
});
