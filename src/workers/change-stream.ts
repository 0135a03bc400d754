/**
 * One stream of changes from the server for all tabs of a browser: a server takes few connections from one browser at a time.
 * It is opened anew where a tab comes that wants to hear of more, or from further back.
 */
import type { FeedEvent, Known, Person } from '@/core/scene/changes';
import { followText } from '@/core/scene/follow';

/** A tab that has a scene open. */
export interface Follower {
  sceneId: string;
  known: Known;
  person: Person;
  hear(event: FeedEvent): void;
}

/** What the server tells, and of which scene. */
type ToldOf = FeedEvent & { sceneId: string };

/** After an answer that is an error, ms. */
const AGAIN_MS = 2000;

export class ChangeStream {
  private readonly followers = new Map<string, Follower>();
  private source: EventSource | null = null;
  /** Up to where each scene was told of by the stream that is open. */
  private readonly told = new Map<string, Known>();
  private readonly people = new Map<string, FeedEvent>();
  private person = '';
  private opening: ReturnType<typeof setTimeout> | null = null;

  /** @param id of the tab: what it followed before, it does not any more */
  follow(id: string, follower: Follower): void {
    this.followers.set(id, follower);
    const { sceneId, known, person } = follower;
    const told = this.told.get(sceneId);
    const isTold =
      told !== undefined &&
      told.revision <= known.revision &&
      told.changeNumber <= known.changeNumber &&
      this.person === JSON.stringify(person);
    if (!isTold) this.openSoon();
    const people = this.people.get(sceneId);
    if (isTold && people) follower.hear(people);
  }

  leave(id: string): void {
    const sceneId = this.followers.get(id)?.sceneId;
    this.followers.delete(id);
    if (sceneId !== undefined && ![...this.followers.values()].some((one) => one.sceneId === sceneId))
      this.openSoon();
  }

  /** Those that come or go together make one stream. */
  private openSoon(ms = 0): void {
    this.opening ??= setTimeout(() => {
      this.opening = null;
      this.open();
    }, ms);
  }

  private open(): void {
    this.source?.close();
    this.source = null;
    this.told.clear();
    this.people.clear();
    const followers = [...this.followers.values()];
    if (followers.length === 0) return;
    for (const { sceneId, known } of followers)
      this.told.set(sceneId, least(this.told.get(sceneId) ?? known, known));
    // The name that was given last counts.
    const { person } = followers.at(-1)!;
    this.person = JSON.stringify(person);
    const follow = followText([...this.told].map(([sceneId, known]) => ({ sceneId, known })));
    const query = new URLSearchParams({ follow, person: person.id, name: person.name });
    const source = new EventSource(`/api/changes?${query.toString()}`);
    this.source = source;
    source.onmessage = ({ data }) => this.hear(JSON.parse(String(data)) as ToldOf);
    // It comes back by itself, but not from an answer that is an error.
    source.onerror = () => {
      if (source.readyState !== EventSource.CLOSED || this.source !== source) return;
      this.source = null;
      this.openSoon(AGAIN_MS);
    };
  }

  private hear({ sceneId, ...event }: ToldOf): void {
    if (event.kind === 'changes') {
      const { revision, changeNumber } = event;
      this.told.set(sceneId, { revision, changeNumber });
    }
    if (event.kind === 'people') this.people.set(sceneId, event);
    if (event.kind === 'reload') this.told.delete(sceneId);
    for (const [id, follower] of [...this.followers]) {
      if (follower.sceneId !== sceneId) continue;
      if (event.kind === 'changes') follower.known = this.told.get(sceneId)!;
      // It follows again when it has opened the scene anew.
      if (event.kind === 'reload') this.followers.delete(id);
      follower.hear(event);
    }
  }
}

function least(a: Known, b: Known): Known {
  return {
    revision: Math.min(a.revision, b.revision),
    changeNumber: Math.min(a.changeNumber, b.changeNumber),
  };
}
