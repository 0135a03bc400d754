/** A server in memory that joins patches as the real one does, and browsers that have its scene open. */
import type { Change, Known } from '@/core/scene/changes';
import type { SceneDocument } from '@/core/scene/document';
import { carriedOut, outcomeOf } from '@/core/scene/patches';
import type { Edit, Fields } from '@/core/scene/edits';
import { checkEdited } from '@/core/scene/read-scene';
import { wordsOf } from '@/core/faults';
import { SceneStore } from '../scene-store';
import { SceneSync, type Batch, type SendResult } from '../sync';

export class MemoryServer {
  revision = 1;
  isAway = false;
  /** The next answers do not arrive, though what was sent did. */
  losesAnswers = 0;
  sends = 0;
  readonly log: Change[] = [];
  private readonly gone = new Map<string, number[]>();

  constructor(public scene: SceneDocument) {}

  async take(author: string, { transactionId, edits }: Batch, known: Known): Promise<SendResult> {
    this.sends++;
    if (this.isAway) return { kind: 'away', why: 'no answer' };
    const result = this.taken(author, transactionId, edits, known);
    if (this.losesAnswers > 0) {
      this.losesAnswers--;
      return { kind: 'away', why: 'lost' };
    }
    return result;
  }

  /** What came behind a revision. */
  since(revision: number): Change[] {
    return this.log.filter((change) => change.revision! > revision);
  }

  private taken(author: string, transactionId: string, edits: Edit[], known: Known): SendResult {
    const before = this.log.find((change) => change.transactionId === transactionId);
    if (before)
      return {
        ...{ kind: 'kept', revision: before.revision!, changeNumber: null },
        since: this.since(known.revision).filter((change) => change.revision! < before.revision!),
        gone: this.gone.get(transactionId)!,
      };
    if (known.revision > this.revision) return { kind: 'ahead' };
    const { gone, overwritten } = outcomeOf(
      edits,
      (collection, id) => this.scene[collection][id] as Fields | undefined,
    );
    const after = carriedOut(this.scene, edits);
    const refused = edits.flatMap((edit, place) => {
      try {
        checkEdited(after, [edit]);
        return [];
      } catch (thrown) {
        return [{ edit: place, why: wordsOf(thrown), field: null }];
      }
    });
    if (refused.length > 0) return { kind: 'refused', why: refused[0].why, refused };
    const since = this.since(known.revision);
    this.gone.set(transactionId, gone);
    this.scene = after;
    this.revision++;
    this.log.push({
      ...{ revision: this.revision, changeNumber: null, transactionId, overwritten },
      author: { id: author, name: author },
      edits: edits.filter((_, place) => !gone.includes(place)),
    });
    return { kind: 'kept', revision: this.revision, changeNumber: null, since, gone };
  }
}

/** A page with the scene open, whose clock only the test moves. */
export class Browser {
  readonly store: SceneStore;
  readonly sync: SceneSync;
  /** What lies in the browser, as it was written last. */
  journal: Batch[] = [];
  /** Values of one's own that others wrote over, and records of one's own that they deleted. */
  told: string[] = [];
  private readonly timers: (() => void)[] = [];
  private ids = 0;

  constructor(
    readonly name: string,
    private readonly server: MemoryServer,
    unsent: readonly Batch[] = [],
  ) {
    this.sync = new SceneSync({
      send: (batch, known) => server.take(name, batch, known),
      load: async () => ({ document: server.scene, known: { revision: server.revision, changeNumber: 0 } }),
      document: server.scene,
      known: { revision: server.revision, changeNumber: 0 },
      unsent,
      show: (scene) => this.store.adopt(scene),
      heard: ({ author, overwritten }) => {
        for (const one of overwritten)
          if (this.sync.isOwn(one)) this.told.push(`${author!.name} ${one.id} ${one.field ?? 'deleted'}`);
      },
      keep: async () => {
        this.journal = this.sync.waiting.map((batch) => ({ ...batch, edits: [...batch.edits] }));
      },
      newId: () => `${name}-${++this.ids}-${server.revision}`,
      later: (work) => {
        this.timers.push(work);
        return () => {
          const at = this.timers.indexOf(work);
          if (at >= 0) this.timers.splice(at, 1);
        };
      },
    });
    this.store = new SceneStore(this.sync.shown);
    this.store.onKept = (edits) => this.sync.add(edits);
  }

  get state(): string {
    return this.sync.api.getState().sync.kind;
  }

  get timerCount(): number {
    return this.timers.length;
  }

  /** Lets all timers run out, and what they begin come to its end. */
  async run(): Promise<void> {
    this.timers.splice(0).forEach((work) => work());
    for (let i = 0; i < 20; i++) await Promise.resolve();
  }

  /** Hears what the server tells. */
  hear(): void {
    this.sync.receive(this.server.since(this.sync.knownUpTo.revision));
  }
}
