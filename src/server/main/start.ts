/**
 * The start command, once everything is installed and built: database, migrations, demo, server. Arguments:
 * `--restore-demo` adds the demo once more; `--port N` wants that port.
 */
import { mkdir, readFile, rm, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { wordsOf } from '@/core/faults';
import { migrate } from '../database/migrate';
import { DatabaseNodes } from '../database/nodes';
import { freePort } from '../mariadb/free-port';
import { ownFolder } from '../mariadb/own-folder';
import { startOwnMariadb, type OwnMariadb } from '../mariadb/own-mariadb';
import { argumentsOf } from '../mariadb/processes';
import { keepRunning, type KeptRunning } from './keep-running';
import { listenAddresses } from './reach';
import { serveApplication } from './serve';
import { ServerChild } from './server-child';
import { startLock } from './start-lock';
import { seedDemo, seedWhenEmpty } from '../seed';

/** The argument by which this program is the server process itself. */
const SERVE = '--serve';
const PREFERRED_PORT = 4650;

const root = process.cwd();
const folder = resolve(process.env.OILWICK_DATA_DIR ?? join(root, '.oilwick'));
const recordFile = join(folder, 'run', 'server.json');
const portFile = join(folder, 'run', 'port');
const say = (words: string) => process.stdout.write(`${words}\n`);
const warn = (words: string) => void process.stderr.write(`${words}\n`);

async function main(): Promise<void> {
  const wanted = givenPort();
  listenAddresses();
  const restoreDemo = process.argv.includes('--restore-demo');
  await mkdir(folder, { recursive: true });
  await ownFolder(join(folder, 'run'));
  const release = await startLock(join(folder, 'run', 'start.lock'));
  const already = await runningServer();
  if (already && !restoreDemo) {
    say(`Oilwick is running already: ${already}`);
    release();
    return;
  }
  const port = already ? 0 : await portToUse(wanted);
  const given = process.env.OILWICK_DATABASE_URL;
  const own: OwnMariadb | null = given ? null : await startOwnMariadb(folder);
  const stopOwn = async () => {
    if (own && !own.wasRunning) await own.stop();
  };
  try {
    await prepare(given ?? own!.url, restoreDemo);
    if (already) {
      say(`The demo is back: ${already}`);
      release();
      return;
    }
    await run(given ?? own!.url, port, own);
    release();
  } catch (thrown) {
    await stopOwn();
    throw thrown;
  }
}

/** Runs the server until it ends or is told to. @returns when it answers */
async function run(url: string, port: number, own: OwnMariadb | null): Promise<void> {
  const address = `http://127.0.0.1:${port}`;
  let isStopping = false;
  let database: KeptRunning | null = null;
  const stop = async (code: number) => {
    if (isStopping) return;
    isStopping = true;
    server.stop();
    // A later start may have written its own.
    if ((await recorded())?.pid === process.pid) await rm(recordFile, { force: true });
    await (database ?? own)?.stop();
    process.exit(code);
  };
  const server = new ServerChild(
    {
      args: [fileURLToPath(import.meta.url), SERVE, String(port)],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        NEXT_TELEMETRY_DISABLED: '1',
        OILWICK_PORT: String(port),
        // So that it can say why the database of our own does not take anything.
        ...(own ? { OILWICK_DATABASE_FOLDER: folder } : {}),
      },
      address,
      isWell,
      say: warn,
      started: (pid) => writeFile(recordFile, JSON.stringify({ pid: process.pid, serverPid: pid, address })),
      ended: () => void stop(1),
    },
    url,
  );
  process.on('SIGINT', () => void stop(0));
  process.on('SIGTERM', () => void stop(0));
  await server.start();
  database = own && keepRunning(own, folder, { say: warn, moved: (moved) => void server.ask(moved) });
  say(`Oilwick is ready: ${address}`);
}

interface Recorded {
  pid: number;
  serverPid: number;
  address: string;
}

async function recorded(): Promise<Recorded | null> {
  try {
    return JSON.parse(await readFile(recordFile, 'utf8')) as Recorded;
  } catch {
    return null;
  }
}

/**
 * The address of a server that was started on this data folder and answers, or null.
 * @throws Error where one runs and does not answer: a second one beside it would help nobody
 */
async function runningServer(): Promise<string | null> {
  const record = await recorded();
  if (!record) return null;
  if (await isWell(record.address)) return record.address;
  const isOurs = (await argumentsOf(record.serverPid)).includes(SERVE);
  if (isOurs)
    throw new Error(
      `A server runs at ${record.address} (process ${record.serverPid}) and does not answer. End it, and start again.`,
    );
  return null;
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
  const pool = new DatabaseNodes(url);
  try {
    await migrate(pool, join(root, 'src/server/database/migrations'));
    if (restoreDemo) await seedDemo(pool);
    else await seedWhenEmpty(pool);
  } finally {
    await pool.end();
  }
}

/** The port that was asked for; null leaves it to us. */
function givenPort(): number | null {
  const at = process.argv.indexOf('--port');
  if (at < 0) return null;
  const text = process.argv[at + 1] ?? '';
  const port = Number(text);
  if (!/^\d+$/.test(text) || port > 65535)
    throw new Error(`--port wants a number from 0 to 65535; got ${text === '' ? 'none' : text}.`);
  return port;
}

/** The address stays from start to start: a page that is open finds its server again. */
async function portToUse(wanted: number | null): Promise<number> {
  if (wanted === 0) return freePort();
  const kept = Number(await readFile(portFile, 'utf8').catch(() => '0'));
  const port = wanted ?? (kept || PREFERRED_PORT);
  const isFree = (await freePort(port)) === port;
  if (!isFree && (wanted !== null || kept !== 0))
    throw new Error(
      `Port ${port} is taken by another program. Start with --port and another number, or with --port 0 for any.`,
    );
  const used = isFree ? port : await freePort();
  await writeFile(portFile, String(used));
  return used;
}

const begin = () => (process.argv[2] === SERVE ? serveApplication(Number(process.argv[3])) : main());

begin().catch((thrown: unknown) => {
  process.stderr.write(`Oilwick does not start: ${wordsOf(thrown)}\n`);
  process.exit(1);
});
