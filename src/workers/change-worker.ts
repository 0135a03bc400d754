/** Shared by the tabs of a browser: one stream of changes for them all. */
import type { FeedEvent, Known, Person } from '@/core/scene/changes';
import { ChangeStream } from './change-stream';

/** What a tab asks for; `tab` names it, and the lock that it holds while it is there. */
export type TabMessage =
  | { kind: 'follow'; tab: string; sceneId: string; known: Known; person: Person }
  | { kind: 'leave'; tab: string };

const stream = new ChangeStream();

const scope = globalThis as unknown as { onconnect: (event: MessageEvent) => void };

scope.onconnect = ({ ports: [port] }) => {
  let watched: string | null = null;
  port.onmessage = ({ data }: MessageEvent<TabMessage>) => {
    const { tab } = data;
    if (data.kind === 'leave') {
      stream.leave(tab);
      return;
    }
    const { sceneId, known, person } = data;
    stream.follow(tab, { sceneId, known, person, hear: (event: FeedEvent) => port.postMessage(event) });
    if (watched === tab) return;
    watched = tab;
    // It gets the lock when the tab is gone, however it went.
    void navigator.locks.request(tab, () => stream.leave(tab));
  };
};
