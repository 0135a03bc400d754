/**
 * The scene under edit. A transaction is the only way to change it; a gesture is a transaction still under the hand:
 * it is previewed, becomes one undo step when it is committed, and leaves no trace when it is cancelled.
 */
import { createStore, type StoreApi } from 'zustand/vanilla';
import type { SceneDocument } from '@/core/scene/document';
import type { CollectionName } from '@/core/scene/records/all-records';
import { applyEdits, firstStale, inverted, squashed, type Edit } from '@/core/scene/edits';

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
  /** What the last undo or redo could not do, in words. */
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
    const scene = applyEdits(state.scene, edits);
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
        const scene = applyEdits(own.base, edits);
        own.edits = squashed(edits);
        this.api.setState({ scene });
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
    this.transact({ label, edits });
  }

  undo(): void {
    this.step('undo');
  }

  redo(): void {
    this.step('redo');
  }

  /** Takes one step back or forth; a step whose values were changed elsewhere since is passed over, and said. */
  private step(way: 'undo' | 'redo'): void {
    this.endGesture();
    const state = this.state;
    const from = way === 'undo' ? state.undo : state.redo;
    const entry = from.at(-1);
    if (!entry) return;
    const rest = from.slice(0, -1);
    const edits = way === 'undo' ? inverted(entry.edits) : entry.edits;
    if (firstStale(state.scene, edits)) {
      const words = `"${entry.label}" was passed over: it was changed elsewhere since.`;
      this.api.setState(way === 'undo' ? { undo: rest, notice: words } : { redo: rest, notice: words });
      return;
    }
    const scene = applyEdits(state.scene, edits);
    const selection = standing(way === 'undo' ? entry.before : entry.after, scene);
    this.api.setState(
      way === 'undo'
        ? { scene, selection, undo: rest, redo: [...state.redo, entry], notice: null }
        : { scene, selection, redo: rest, undo: [...state.undo, entry], notice: null },
    );
    this.onKept(edits);
  }

  select(selection: readonly Picked[]): void {
    this.api.setState({ selection: standing(selection, this.state.scene) });
  }

  /** Puts the scene of the server in place, with what is not sent yet on top. */
  adopt(scene: SceneDocument): void {
    this.open = null;
    this.api.setState({ scene, selection: standing(this.state.selection, scene) });
  }
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
