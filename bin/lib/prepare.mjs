// What every command does first: see that packages and programs are there, and build what is out of date.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
const state = join(root, '.oilwick', 'build');

export function say(words) {
  process.stderr.write(`${words}\n`);
}

export function fail(words) {
  say(words);
  process.exit(1);
}

/** npm packages as the lock file says, installed once for each lock file. */
export function ensurePackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19))
    fail(`Oilwick needs Node 20.19 or newer; this is ${process.versions.node}.`);
  const wanted = hashOf([join(root, 'package-lock.json')]);
  const stamp = join(root, 'node_modules', '.oilwick-lock');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('Installing packages …');
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund'], {
    cwd: root,
    stdio: ['ignore', 2, 2],
  });
  if (status !== 0) fail('The packages could not be installed. Try: npm ci');
  writeFileSync(stamp, wanted);
}

const PLACES = ['/usr/sbin', '/usr/bin', '/usr/local/sbin', '/usr/local/bin'];

/** Debian packages, by a program that each brings. */
export function ensurePrograms(programs) {
  const missing = Object.entries(programs).filter(
    ([name]) => !PLACES.some((place) => existsSync(join(place, name))),
  );
  if (missing.length === 0) return;
  const packages = [...new Set(missing.map(([, name]) => name))];
  const command = `apt-get install -y --no-install-recommends ${packages.join(' ')}`;
  const asRoot = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
  say(`Installing ${packages.join(', ')} …`);
  const apt = (args) => {
    const [program, ...rest] = [...asRoot, 'apt-get', ...args];
    return (
      spawnSync(program, rest, {
        stdio: ['ignore', 2, 2],
        env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      }).status === 0
    );
  };
  if (apt(command.split(' ').slice(1))) return;
  if (apt(['update']) && apt(command.split(' ').slice(1))) return;
  fail(
    `${packages.join(' and ')} could not be installed. Run this and try again: ${asRoot.length ? 'sudo ' : ''}apt-get update && ${asRoot.length ? 'sudo ' : ''}${command}`,
  );
}

export const MARIADB = { mariadbd: 'mariadb-server', 'mariadb-install-db': 'mariadb-server' };
export const CHROMIUM = { chromium: 'chromium' };

/** One of our TypeScript entries as a module that Node runs, built again when a source changed. */
export async function bundled(entry, name) {
  const out = join(state, `${name}.mjs`);
  const stamp = join(state, `${name}.stamp`);
  const wanted = sourceStamp(['src', 'benchmarks', 'e2e']);
  if (existsSync(out) && existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return out;
  const { build } = await import('esbuild');
  await build({
    entryPoints: [join(root, entry)],
    outfile: out,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    tsconfig: join(root, 'tsconfig.json'),
    packages: 'external',
    logLevel: 'error',
  });
  writeFileSync(stamp, wanted);
  return out;
}

/** The start command and the thread of its server process, beside each other. @returns the start command */
export async function bundledStart() {
  await bundled('src/server/reading/reading-thread.ts', 'reading-thread');
  return bundled('src/server/main/start.ts', 'start');
}

/** The build that tests, benchmarks and pictures use, beside that of the application. */
export const TEST_BUILD = '.oilwick/next-test';

/** All that tests, benchmarks and pictures need of the machine. */
export function ensureForBrowser() {
  process.chdir(root);
  ensurePackages();
  ensurePrograms({ ...MARIADB, ...CHROMIUM });
  ensureFolders();
}

/** The web application, built into a folder of ours unless what lies there is of the same sources. */
export function buildApplication(folder) {
  const stamp = join(root, folder, 'oilwick.stamp');
  const wanted = sourceStamp();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return;
  say('Building the application …');
  rmSync(stamp, { force: true });
  const { status } = spawnSync(process.execPath, ['node_modules/next/dist/bin/next', 'build'], {
    cwd: root,
    stdio: ['ignore', 2, 2],
    env: { ...process.env, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1', OILWICK_BUILD_DIR: folder },
  });
  if (status !== 0) fail('The application could not be built.');
  writeFileSync(stamp, wanted);
}

/** A hash over everything that a build depends on. */
function sourceStamp(folders = ['src']) {
  const files = [];
  const walk = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true })) {
      const path = join(folder, entry.name);
      if (entry.isDirectory()) walk(path);
      else if (!/\.test\.tsx?$/.test(entry.name)) files.push(path);
    }
  };
  for (const folder of folders) walk(join(root, folder));
  for (const name of ['package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json'])
    files.push(join(root, name));
  return hashOf(files.sort());
}

function hashOf(files) {
  const hash = createHash('sha256');
  for (const file of files)
    hash
      .update(file.slice(root.length))
      .update(String(statSync(file).size))
      .update(readFileSync(file));
  return hash.digest('hex');
}

export function ensureFolders() {
  mkdirSync(state, { recursive: true });
}
