/** The server process, as the start command runs it: started again where it ends by itself after it served a while. */
import { spawn, type ChildProcess } from 'node:child_process';

const READY_MS = 60_000;
/** One that ends sooner after it was ready is not started again: it would end again, ms. */
const SERVED_MS = 5000;

export interface ServerChildOptions {
  /** Arguments of Node that make it a server process. */
  args: readonly string[];
  env: NodeJS.ProcessEnv;
  address: string;
  isWell(address: string): Promise<boolean>;
  say(words: string): void;
  /** Another process serves from now on. */
  started(pid: number): Promise<void>;
  /** It ended and is not started again. */
  ended(): void;
}

export class ServerChild {
  private child: ChildProcess | null = null;
  private isOver = false;

  constructor(
    private readonly options: ServerChildOptions,
    private databaseUrl: string,
  ) {}

  /** @returns when it answers @throws Error where it does not */
  async start(): Promise<void> {
    const { args, env, address, isWell, started } = this.options;
    const child = spawn(process.execPath, args, {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...env, OILWICK_DATABASE_URL: this.databaseUrl },
    });
    this.child = child;
    let readyAt = Infinity;
    child.on('exit', (code, signal) => {
      if (this.isOver || this.child !== child || readyAt === Infinity) return;
      const how = code ?? signal ?? 'killed';
      if (performance.now() - readyAt > SERVED_MS) void this.again(`The server ended by itself (${how}).`);
      else this.giveUp(`The server ended by itself (${how}). Start it again with: npm start`);
    });
    const end = performance.now() + READY_MS;
    while (!(await isWell(address))) {
      if (child.exitCode !== null || performance.now() > end) {
        this.stop();
        throw new Error('The server does not answer.');
      }
      await new Promise((r) => setTimeout(r, 100));
    }
    readyAt = performance.now();
    await started(child.pid!);
  }

  /** Has it ask another address of the database. */
  async ask(databaseUrl: string): Promise<void> {
    this.databaseUrl = databaseUrl;
    const { child } = this;
    this.child = null;
    child?.kill('SIGTERM');
    await this.again('The database has another address now.');
  }

  stop(): void {
    this.isOver = true;
    this.child?.kill('SIGTERM');
  }

  private async again(why: string): Promise<void> {
    if (this.isOver) return;
    this.options.say(`${why} It is started again.`);
    try {
      await this.start();
      this.options.say('The server runs again.');
    } catch {
      this.giveUp('The server does not come back. Start it again with: npm start');
    }
  }

  private giveUp(words: string): void {
    this.options.say(words);
    this.isOver = true;
    this.options.ended();
  }
}
