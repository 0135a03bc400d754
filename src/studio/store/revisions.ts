/** Earlier states of the scene: the list of them, and the documents of those that are looked at. */
import { createStore, type StoreApi } from 'zustand/vanilla';
import { wordsOf } from '@/core/faults';
import type { RevisionEntry } from '@/core/scene/changes';
import type { SceneDocument } from '@/core/scene/document';
import { sameValue, type Edit, type Fields } from '@/core/scene/edits';
import { SCENE_COLLECTIONS } from '@/core/scene/records/all-records';
import { api } from './server-api';
import type { SceneStore } from './scene-store';

export interface RevisionsState {
  /** Newest first; null was not asked for yet. */
  entries: readonly RevisionEntry[] | null;
  /** Whether there are older ones than those. */
  hasMore: boolean;
  documents: ReadonlyMap<number, SceneDocument>;
}

/** The documents of so many revisions are kept at hand. */
const MOST_DOCUMENTS = 4;

export class Revisions {
  readonly api: StoreApi<RevisionsState> = createStore<RevisionsState>(() => ({
    entries: null,
    hasMore: false,
    documents: new Map(),
  }));

  constructor(
    private readonly scenes: SceneStore,
    private readonly sceneId: string,
    private readonly say: (words: string) => void,
  ) {}

  /** Reads the list from its newest. */
  async list(): Promise<void> {
    await this.tell(async () => {
      const entries = await api.revisions(this.sceneId, null);
      this.api.setState({ entries, hasMore: (entries.at(-1)?.revision ?? 1) > 1 });
    });
  }

  async listMore(): Promise<void> {
    const { entries } = this.api.getState();
    const last = entries?.at(-1);
    if (!entries || !last) return this.list();
    await this.tell(async () => {
      const older = await api.revisions(this.sceneId, last.revision);
      this.api.setState({
        entries: [...entries, ...older],
        hasMore: (older.at(-1)?.revision ?? 1) > 1,
      });
    });
  }

  /** Brings the document of a revision. @returns null where it cannot be had, which is said */
  async want(revision: number): Promise<SceneDocument | null> {
    const known = this.documentOf(revision);
    if (known) return known;
    let document: SceneDocument | null = null;
    await this.tell(async () => {
      document = await api.revision(this.sceneId, revision);
      const kept = [...this.api.getState().documents].slice(1 - MOST_DOCUMENTS);
      this.api.setState({ documents: new Map([...kept, [revision, document]]) });
    });
    return document;
  }

  documentOf(revision: number): SceneDocument | null {
    return this.api.getState().documents.get(revision) ?? null;
  }

  /** What it is called, or its number. */
  wordsOf(revision: number): string {
    const entry = this.api.getState().entries?.find((one) => one.revision === revision);
    return entry?.name ?? `Revision ${revision}`;
  }

  /** @param name empty takes it away */
  async rename(revision: number, name: string): Promise<void> {
    const given = name.trim() === '' ? null : name.trim();
    await this.tell(async () => {
      await api.nameRevision(this.sceneId, revision, given);
      this.api.setState(({ entries }) => ({
        entries: entries?.map((one) => (one.revision === revision ? { ...one, name: given } : one)) ?? null,
      }));
    });
  }

  /** Makes the scene as it was, as one step that can be undone; what lies between stays in the list. */
  async restore(revision: number): Promise<void> {
    const document = await this.want(revision);
    if (!document) return;
    const edits = editsTo(this.scenes.state.scene, document);
    if (edits.length === 0) return this.say('The scene is as it was then: there is nothing to restore.');
    this.scenes.transact({ label: `Restore ${this.wordsOf(revision)}`, edits, selection: [] });
  }

  /** Makes a scene of its own of it. @returns its id; null where it cannot be made, which is said */
  async branch(revision: number, name: string): Promise<string | null> {
    let id: string | null = null;
    await this.tell(async () => {
      id = (await api.branch(this.sceneId, revision, name)).id;
    });
    return id;
  }

  private async tell(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (thrown) {
      this.say(wordsOf(thrown));
    }
  }
}

/** The edits of a scene's own records that make it as another one is. */
export function editsTo(from: SceneDocument, to: SceneDocument): Edit[] {
  return SCENE_COLLECTIONS.flatMap((collection) => {
    const [before, after] = [from[collection], to[collection]] as [object, object] as [
      Record<string, Fields>,
      Record<string, Fields>,
    ];
    const ids = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    return ids.flatMap((id): Edit[] => {
      if (!before[id]) return [{ collection, id, before: null, after: after[id] }];
      if (!after[id]) return [{ collection, id, before: before[id], after: null }];
      const fields = Object.keys({ ...before[id], ...after[id] }).filter(
        (field) => !sameValue(before[id][field], after[id][field]),
      );
      if (fields.length === 0) return [];
      const some = (record: Fields) => Object.fromEntries(fields.map((field) => [field, record[field]]));
      return [{ collection, id, before: some(before[id]), after: some(after[id]) }];
    });
  });
}
