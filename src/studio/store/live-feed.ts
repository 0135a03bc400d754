/** Hears from the server what others change in the scene, and who they are. */
import type { Change, FeedEvent, Known, Person } from '@/core/scene/changes';

export interface FeedListener {
  changes(changes: Change[]): void;
  reload(): void;
  people(people: Person[]): void;
}

export class LiveFeed {
  private source: EventSource | null = null;

  constructor(
    private readonly sceneId: string,
    private readonly person: () => Person,
    private readonly known: () => Known,
    private readonly listener: FeedListener,
  ) {}

  /** Listens from what is known now. */
  open(): void {
    this.close();
    const { revision, changeNumber } = this.known();
    const { id, name } = this.person();
    const query = new URLSearchParams({ known: `${revision}.${changeNumber}`, person: id, name });
    const source = new EventSource(`/api/scenes/${this.sceneId}/changes?${query.toString()}`);
    this.source = source;
    source.onmessage = ({ data }) => this.hear(JSON.parse(String(data)) as FeedEvent);
    // It comes back by itself, but not from an answer that is an error.
    source.onerror = () => {
      if (source.readyState === EventSource.CLOSED && this.source === source)
        setTimeout(() => this.source === source && this.open(), AGAIN_MS);
    };
  }

  close(): void {
    this.source?.close();
    this.source = null;
  }

  private hear(event: FeedEvent): void {
    switch (event.kind) {
      case 'changes':
        this.listener.changes(event.changes);
        return;
      case 'people':
        this.listener.people(event.people);
        return;
      case 'reload':
        this.close();
        this.listener.reload();
    }
  }
}

/** After an answer that is an error, ms. */
const AGAIN_MS = 2000;
