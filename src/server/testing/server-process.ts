/** A server process on a database that is there already, asked over HTTP as pages ask it. */
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { freePort } from '../mariadb/free-port';
import { pause, type Send } from './writers';

const READY_MS = 60_000;
/** The start command as it was built before the tests. */
const PROGRAM = '.oilwick/build/start.mjs';

export class ServerProcess {
  private child: ChildProcess | null = null;
  /** The last revision of each scene that was answered. */
  private readonly revisions = new Map<string, number>();

  private constructor(
    private readonly databaseUrl: string,
    private readonly port: number,
  ) {}

  /** @returns when it answers */
  static async start(databaseUrl: string): Promise<ServerProcess> {
    const made = new ServerProcess(databaseUrl, await freePort());
    await made.run();
    return made;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  get pid(): number {
    return this.child!.pid!;
  }

  /** Ends it as a crash would, and starts it again on its port. */
  async killAndRun(): Promise<void> {
    await this.end('SIGKILL');
    await this.run();
  }

  async end(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<void> {
    const { child } = this;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const ended = once(child, 'exit');
    child.kill(signal);
    await ended;
  }

  /** Sends a patch as a page does. */
  readonly send: Send = async (sceneId, { transactionId, edits, author }) => {
    const known = this.revisions.get(sceneId) ?? 1;
    const answer = await fetch(`${this.address}/api/scenes/${sceneId}/patches`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'if-match': `"r${known}"`, origin: this.address },
      body: JSON.stringify({ transactionId, edits, author }),
      signal: AbortSignal.timeout(20_000),
    });
    const { revision, detail } = (await answer.json()) as { revision: number; detail: string };
    if (!answer.ok) throw new Error(detail);
    this.revisions.set(sceneId, Math.max(known, revision));
    return revision;
  };

  private async run(): Promise<void> {
    this.child = spawn(process.execPath, [PROGRAM, '--serve', String(this.port)], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        NEXT_TELEMETRY_DISABLED: '1',
        OILWICK_DATABASE_URL: this.databaseUrl,
        OILWICK_PORT: String(this.port),
      },
    });
    const end = performance.now() + READY_MS;
    for (;;) {
      const answer = await fetch(`${this.address}/api/health`).catch(() => null);
      if (answer?.ok) return;
      if (performance.now() > end) throw new Error(`The server on port ${this.port} does not answer.`);
      await pause(50);
    }
  }
}
