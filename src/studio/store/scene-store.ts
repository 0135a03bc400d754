/**
 * The scene under edit. A transaction is the only way to change it; a gesture is a transaction still under the hand:
 * it is previewed, becomes one undo step when it is committed, and leaves no trace when it is cancelled.
 */
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { SceneDocument } from '@/core/scene/document';
import { COLLECTION_NAMES, type CollectionName } from '@/core/scene/records/all-records';
import { wordsOf } from '@/core/faults';
import { applyEdits, inverted, sameValue, squashed, standingEdits, type Edit } from '@/core/scene/edits';
import { carriedOut } from '@/core/scene/patches';
import { checkEdited } from '@/core/scene/read-scene';

export interface Picked {
  collection: CollectionName;
  id: string;
}

const ON_STAGE: readonly CollectionName[] = ['sprites', 'lights', 'lamps', 'occluders'];

/** Whether it stands on the stage, so that picking it shows it. */
export function isOnStage({ collection }: Picked): boolean {
  return ON_STAGE.includes(collection);
}

export interface UndoEntry {
  label: string;
  edits: Edit[];
  before: Picked[];
  after: Picked[];
}

export interface SceneState {
  scene: SceneDocument;
  selection: Picked[];
  undo: UndoEntry[];
  redo: UndoEntry[];
  /** What could not be done, in words: a step that was passed over, or a change that does not fit. */
  notice: string | null;
}

export interface Transaction {
  label: string;
  edits: readonly Edit[];
  selection?: Picked[];
  /** `none` is for changes that nobody made by hand and nobody would take back. */
  history?: 'record' | 'none';
}

export interface Gesture {
  /** Shows edits counted from where the gesture began. */
  preview(edits: readonly Edit[]): void;
  commit(): void;
  cancel(): void;
}

/** Of more edits at once only the server checks each. */
const MOST_CHECKED = 500;

/** Steps that can be undone; far beyond what anybody goes back by hand. */
export const UNDO_STEPS = 2000;

/** A gesture that is being made. */
interface OpenGesture {
  label: string;
  /** The scene without what it shows. */
  base: SceneDocument;
  /** What it shows, counted from there. */
  edits: readonly Edit[];
}

export class SceneStore {
  readonly api: StoreApi<SceneState>;
  /** Called with every edit that is meant to stay, in order. */
  onKept: (edits: readonly Edit[]) => void = () => {};
  private open: OpenGesture | null = null;

  constructor(scene: SceneDocument, history: Pick<SceneState, 'undo' | 'redo'> = { undo: [], redo: [] }) {
    this.api = createStore<SceneState>(() => ({ scene, selection: [], notice: null, ...history }));
  }

  get state(): SceneState {
    return this.api.getState();
  }

  /** The scene as it is kept, without what a gesture only shows. */
  get kept(): SceneDocument {
    return this.open?.base ?? this.state.scene;
  }

  transact({ label, edits, selection, history = 'record' }: Transaction): void {
    if (edits.length === 0) {
      if (selection) this.select(selection);
      return;
    }
    // A gesture goes on over what comes in beside it, but not over a change of what it holds.
    if (this.open && shareRecords(edits, this.open.edits)) this.endGesture();
    const { state, open } = this;
    const scene = this.checked(applyEdits(state.scene, edits), edits);
    if (!scene) return;
    if (open) open.base = applyEdits(open.base, edits);
    const after = standing(selection ?? state.selection, scene);
    const entry: UndoEntry = { label, edits: [...edits], before: state.selection, after };
    this.api.setState(
      history === 'none'
        ? { scene, selection: after }
        : {
            scene,
            selection: after,
            undo: [...state.undo.slice(1 - UNDO_STEPS), entry],
            redo: [],
            notice: null,
          },
    );
    this.onKept(edits);
  }

  /** Begins a gesture. One that another has ended does nothing any more. */
  gesture(label: string): Gesture {
    this.endGesture();
    const own: OpenGesture = { label, base: this.state.scene, edits: [] };
    this.open = own;
    return {
      preview: (edits) => {
        if (this.open !== own) return;
        // Others may have deleted what it holds; that is left out.
        own.edits = squashed(edits).filter(
          ({ collection, id, before }) => !before || own.base[collection][id],
        );
        this.api.setState({ scene: applyEdits(own.base, own.edits) });
      },
      commit: () => {
        if (this.open === own) this.endGesture();
      },
      cancel: () => {
        if (this.open !== own) return;
        this.open = null;
        this.api.setState({ scene: own.base });
      },
    };
  }

  get isGesturing(): boolean {
    return this.open !== null;
  }

  /** Keeps what an open gesture has come to as one step. */
  private endGesture(): void {
    if (!this.open) return;
    const { label, base, edits } = this.open;
    this.open = null;
    this.api.setState({ scene: base });
    this.transact({
      label,
      edits: edits.filter(({ collection, id, before }) => !before || base[collection][id]),
    });
  }

  undo(): void {
    this.step('undo');
  }

  redo(): void {
    this.step('redo');
  }

  /** Goes many steps at once. @param count above 0 forth, below 0 back */
  go(count: number): void {
    const way = count > 0 ? 'redo' : 'undo';
    // A step that is passed over is gone from the list too, so that as many are taken as were asked for.
    for (let i = 0; i < Math.abs(count); i++) this.step(way);
  }

  /** Takes one step back or forth; a step whose values were changed elsewhere since is passed over, and said. */
  private step(way: 'undo' | 'redo'): void {
    this.endGesture();
    const state = this.state;
    const from = way === 'undo' ? state.undo : state.redo;
    const entry = from.at(-1);
    if (!entry) return;
    const rest = from.slice(0, -1);
    const { stand: edits, fall } = standingEdits(
      state.scene,
      way === 'undo' ? inverted(entry.edits) : entry.edits,
    );
    if (edits.length === 0) {
      const words = `"${entry.label}" was passed over: it was changed elsewhere since.`;
      this.api.setState(way === 'undo' ? { undo: rest, notice: words } : { redo: rest, notice: words });
      return;
    }
    const scene = applyEdits(state.scene, edits);
    const selection = standing(way === 'undo' ? entry.before : entry.after, scene);
    const notice =
      fall.length === 0 ? null : `Of "${entry.label}" what was changed elsewhere since was left as it is.`;
    const back = { ...entry, edits: way === 'undo' ? inverted(edits) : edits };
    this.api.setState(
      way === 'undo'
        ? { scene, selection, undo: rest, redo: [...state.redo, back], notice }
        : { scene, selection, redo: rest, undo: [...state.undo, back], notice },
    );
    this.onKept(edits);
  }

  /** A scene after edits, or null where they do not fit it, which is said. */
  private checked(scene: SceneDocument, edits: readonly Edit[]): SceneDocument | null {
    try {
      checkEdited(scene, edits.length > MOST_CHECKED ? [] : edits);
      return scene;
    } catch (thrown) {
      this.api.setState({ notice: wordsOf(thrown) });
      return null;
    }
  }

  select(selection: readonly Picked[]): void {
    this.api.setState({ selection: standing(selection, this.state.scene) });
  }

  /** Puts a scene in the place of the kept one, as when others changed it; a gesture goes on over it. */
  adopt(next: SceneDocument): void {
    const kept = withKnownRecords(next, this.kept);
    const { open } = this;
    if (open) open.base = kept;
    const scene = open ? carriedOut(kept, open.edits) : kept;
    this.api.setState({ scene, selection: standing(this.state.selection, scene) });
  }
}

/** A scene with the records of another one in the place of those that are the same in content: what did not change is not drawn anew. */
function withKnownRecords(next: SceneDocument, known: SceneDocument): SceneDocument {
  const scene = { ...next } as Record<CollectionName, Record<string, unknown>>;
  for (const collection of COLLECTION_NAMES) {
    const [records, before] = [next[collection], known[collection]] as [object, object] as [
      Record<string, unknown>,
      Record<string, unknown>,
    ];
    if (records === before) continue;
    const ids = Object.keys(records);
    let isSame = ids.length === Object.keys(before).length;
    const merged: Record<string, unknown> = {};
    for (const id of ids) {
      const isKnown = records[id] === before[id] || sameValue(records[id], before[id]);
      merged[id] = isKnown ? before[id] : records[id];
      isSame &&= isKnown;
    }
    scene[collection] = isSame ? before : merged;
  }
  return scene as unknown as SceneDocument;
}

/** Whether two lists of edits change any record in common. */
function shareRecords(some: readonly Edit[], others: readonly Edit[]): boolean {
  const keyOf = ({ collection, id }: Edit) => `${collection}/${id}`;
  const keys = new Set(others.map(keyOf));
  return some.some((edit) => keys.has(keyOf(edit)));
}

/** What of a selection is still there. */
function standing(selection: readonly Picked[], scene: SceneDocument): Picked[] {
  return selection.filter(({ collection, id }) => scene[collection][id] !== undefined);
}
