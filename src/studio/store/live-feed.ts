/** Hears from the server what others change in the scene, and who they are: with the other tabs of this browser by one stream. */
import type { Change, FeedEvent, Known, Person, Present } from '@/core/scene/changes';
import { ChangeStream } from '@/workers/change-stream';
import type { TabMessage } from '@/workers/change-worker';

export interface FeedListener {
  changes(changes: Change[]): void;
  reload(): void;
  people(people: Present[]): void;
}

/** How this tab reaches the stream. */
interface Line {
  follow(known: Known, person: Person): void;
  leave(): void;
}

export class LiveFeed {
  private line: Line | null = null;

  constructor(
    private readonly sceneId: string,
    private readonly person: () => Person,
    private readonly known: () => Known,
    private readonly listener: FeedListener,
  ) {}

  /** Listens from what is known now. */
  open(): void {
    const hear = (event: FeedEvent) => this.hear(event);
    // Where tabs cannot share a worker each has a stream of its own.
    this.line ??=
      typeof SharedWorker === 'undefined' ? ownLine(this.sceneId, hear) : sharedLine(this.sceneId, hear);
    this.line.follow(this.known(), this.person());
  }

  close(): void {
    this.line?.leave();
    this.line = null;
  }

  private hear(event: FeedEvent): void {
    if (!this.line) return;
    switch (event.kind) {
      case 'changes':
        this.listener.changes(event.changes);
        return;
      case 'people':
        this.listener.people(event.people);
        return;
      case 'reload':
        this.listener.reload();
    }
  }
}

function ownLine(sceneId: string, hear: (event: FeedEvent) => void): Line {
  const stream = new ChangeStream();
  return {
    follow: (known, person) => stream.follow('own', { sceneId, known, person, hear }),
    leave: () => stream.leave('own'),
  };
}

function sharedLine(sceneId: string, hear: (event: FeedEvent) => void): Line {
  const { port } = new SharedWorker(new URL('../../workers/change-worker.ts', import.meta.url), {
    type: 'module',
  });
  port.onmessage = ({ data }: MessageEvent<FeedEvent>) => hear(data);
  const tab = `oilwick-hears-${crypto.randomUUID()}`;
  let release = () => {};
  // The worker hears by this lock that the tab is gone.
  const held = new Promise<void>((isHeld) => {
    void navigator.locks.request(tab, () => {
      isHeld();
      return new Promise<void>((resolve) => (release = resolve));
    });
  });
  const tell = (message: TabMessage) => void held.then(() => port.postMessage(message));
  return {
    follow: (known, person) => tell({ kind: 'follow', tab, sceneId, known, person }),
    leave() {
      tell({ kind: 'leave', tab });
      void held.then(() => {
        release();
        port.close();
      });
    },
  };
}
