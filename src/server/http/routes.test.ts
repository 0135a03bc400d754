/** The routes that there are, against the table of them in the documents. */
import { readdirSync, readFileSync } from 'node:fs';
import { join, sep } from 'node:path';
import { describe, expect, it } from 'vitest';

const ROUTES = 'src/app/api';
const table = readFileSync('docs/formats.md', 'utf8');

/** Every route with a method of it, as the table writes them: `GET /api/scenes/ID`. */
function routes(): string[] {
  const files = readdirSync(ROUTES, { recursive: true, encoding: 'utf8' });
  return files
    .filter((file) => file.endsWith(`${sep}route.ts`))
    .flatMap((file) => {
      const path = file
        .split(sep)
        .slice(0, -1)
        .join('/')
        .replace('[id]', 'ID')
        .replace('[sha]', 'SHA')
        .replace('[revision]', 'N');
      const code = readFileSync(join(ROUTES, file), 'utf8');
      const methods = code.matchAll(/export const (?:(\w+) =|\{([^}]+)\} =)/g);
      return [...methods]
        .flatMap(([, one, several]) => one ?? several.split(',').map((word) => word.trim()))
        .filter((name) => /^[A-Z]+$/.test(name))
        .map((method) => `${method} /api/${path}`);
    });
}

describe('the table of routes', () => {
  it('has every method of every route', () => {
    const all = routes();
    expect(all.length).toBeGreaterThan(15);
    expect(all.filter((route) => !new RegExp(`\`${route}[\`?]`).test(table))).toEqual([]);
  });
});
