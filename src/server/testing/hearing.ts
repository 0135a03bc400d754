/** Hears what changes in a scene, from a server process that may go and come back. */
import type { FeedEvent, Known } from '@/core/scene/changes';
import { followText } from '@/core/scene/follow';
import type { ServerProcess } from './server-process';
import { pause } from './writers';

export class Hearing {
  /** When each transaction was heard of, ms since the start of the program. */
  readonly heard = new Map<string, number>();
  private known: Known = { revision: 1, changeNumber: 0 };
  private isOver = false;
  private readonly running: Promise<void>;

  constructor(
    private readonly server: ServerProcess,
    readonly sceneId: string,
    private readonly person: string,
  ) {
    this.running = this.listen();
  }

  async stop(): Promise<void> {
    this.isOver = true;
    await this.running;
  }

  private async listen(): Promise<void> {
    while (!this.isOver) {
      await this.follow().catch(() => undefined);
      await pause(50);
    }
  }

  private async follow(): Promise<void> {
    const query = new URLSearchParams({
      follow: followText([{ sceneId: this.sceneId, known: this.known }]),
      person: this.person,
      name: this.person,
    });
    const stop = new AbortController();
    const over = setInterval(() => this.isOver && stop.abort(), 100);
    try {
      const path = `/api/changes?${query.toString()}`;
      const { body } = await fetch(this.server.address + path, { signal: stop.signal });
      let text = '';
      const decoder = new TextDecoder();
      for await (const bytes of body as unknown as AsyncIterable<Uint8Array>) {
        text += decoder.decode(bytes, { stream: true });
        const events = text.split('\n\n');
        text = events.pop()!;
        for (const event of events) this.hear(event);
      }
    } finally {
      clearInterval(over);
    }
  }

  private hear(text: string): void {
    const data = /^data: (.*)$/m.exec(text)?.[1];
    const event = data === undefined ? null : (JSON.parse(data) as FeedEvent);
    if (event?.kind !== 'changes') return;
    this.known = { revision: event.revision, changeNumber: event.changeNumber };
    for (const { transactionId } of event.changes) this.heard.set(transactionId, performance.now());
  }
}
