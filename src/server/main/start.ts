/**
 * The start command, once everything is installed and built: database, migrations, demo, server. Arguments:
 * `--restore-demo` adds the demo once more; `--port N` wants that port.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { wordsOf } from '@/core/faults';
import { migrate } from '../database/migrate';
import { openPool } from '../database/pool';
import { freePort } from '../mariadb/free-port';
import { startOwnMariadb, type OwnMariadb } from '../mariadb/own-mariadb';
import { seedDemo, seedWhenEmpty } from '../seed';

const PREFERRED_PORT = 4650;
const READY_MS = 60_000;

const root = process.cwd();
const folder = resolve(process.env.OILWICK_DATA_DIR ?? join(root, '.oilwick'));
const recordFile = join(folder, 'run', 'server.json');
const say = (words: string) => process.stdout.write(`${words}\n`);

async function main(): Promise<void> {
  await mkdir(join(folder, 'run'), { recursive: true });
  const restoreDemo = process.argv.includes('--restore-demo');
  const already = await runningServer();
  if (already && !restoreDemo) {
    say(`Oilwick is running already: ${already}`);
    return;
  }
  const given = process.env.OILWICK_DATABASE_URL;
  const own: OwnMariadb | null = given ? null : await startOwnMariadb(folder);
  const url = given ?? own!.url;
  await prepare(url, restoreDemo);
  if (already) {
    say(`The demo is back: ${already}`);
    return;
  }
  const port = await freePort(wantedPort());
  const address = `http://127.0.0.1:${port}`;
  const child = serve(url, port);
  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    child.kill('SIGTERM');
    await rm(recordFile, { force: true });
    await own?.stop();
    process.exit(0);
  };
  process.on('SIGINT', () => void stop());
  process.on('SIGTERM', () => void stop());
  child.on('exit', (code) => {
    if (stopping) return;
    process.stderr.write(
      `The server ended by itself (${code ?? 'killed'}). Start it again with: npm start\n`,
    );
    stopping = true;
    void rm(recordFile, { force: true })
      .then(() => own?.stop())
      .finally(() => process.exit(1));
  });
  await ready(address, child);
  await writeFile(recordFile, JSON.stringify({ pid: process.pid, serverPid: child.pid, address }));
  say(`Oilwick is ready: ${address}`);
}

/** The address of a server that was started on this data folder and answers, or null. */
async function runningServer(): Promise<string | null> {
  try {
    const { address } = JSON.parse(await readFile(recordFile, 'utf8')) as { address: string };
    return (await isWell(address)) ? address : null;
  } catch {
    return null;
  }
}

async function isWell(address: string): Promise<boolean> {
  try {
    const response = await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(2000) });
    return response.ok && ((await response.json()) as { state: string }).state === 'well';
  } catch {
    return false;
  }
}

async function prepare(url: string, restoreDemo: boolean): Promise<void> {
  const pool = openPool(url);
  try {
    await migrate(pool, join(root, 'src/server/database/migrations'));
    if (restoreDemo) await seedDemo(pool);
    else await seedWhenEmpty(pool);
  } finally {
    await pool.end();
  }
}

function wantedPort(): number {
  const at = process.argv.indexOf('--port');
  const port = at > 0 ? Number(process.argv[at + 1]) : PREFERRED_PORT;
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new Error(`--port wants a number from 0 to 65535; got ${process.argv[at + 1]}.`);
  return port;
}

function serve(url: string, port: number): ChildProcess {
  return spawn(
    process.execPath,
    [join(root, 'node_modules/next/dist/bin/next'), 'start', '-H', '127.0.0.1', '-p', String(port)],
    {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        NEXT_TELEMETRY_DISABLED: '1',
        OILWICK_DATABASE_URL: url,
        OILWICK_PORT: String(port),
      },
    },
  );
}

async function ready(address: string, child: ChildProcess): Promise<void> {
  const end = performance.now() + READY_MS;
  while (!(await isWell(address))) {
    if (child.exitCode !== null || performance.now() > end) throw new Error('The server does not answer.');
    await new Promise((r) => setTimeout(r, 100));
  }
}

main().catch((thrown: unknown) => {
  process.stderr.write(`Oilwick does not start: ${wordsOf(thrown)}\n`);
  process.exit(1);
});
