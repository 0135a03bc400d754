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

export class SceneStore {
  readonly api: StoreApi<SceneState>;
  /** Called with every edit that is meant to stay, in order. */
  onKept: (edits: readonly Edit[]) => void = () => {};
  private gestureBase: SceneDocument | null = null;
  private gestureEdits: readonly Edit[] = [];
  /** Who began the gesture that is open, or was the last. */
  private gestureToken: object | null = null;

  constructor(scene: SceneDocument, history: Pick<SceneState, 'undo' | 'redo'> = { undo: [], redo: [] }) {
    this.api = createStore<SceneState>(() => ({ scene, selection: [], notice: null, ...history }));
  }

  get state(): SceneState {
    return this.api.getState();
  }

  /** The scene as it is kept, without what a gesture only shows. */
  get kept(): SceneDocument {
    return this.gestureBase ?? this.state.scene;
  }

  transact({ label, edits, selection, history = 'record' }: Transaction): void {
    const { state } = this;
    if (edits.length === 0) {
      if (selection) this.select(selection);
      return;
    }
    const scene = applyEdits(state.scene, edits);
    if (this.gestureBase) this.gestureBase = applyEdits(this.gestureBase, edits);
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

  gesture(label: string): Gesture {
    this.commitOpenGesture();
    this.gestureBase = this.state.scene;
    this.gestureEdits = [];
    const token = {};
    this.gestureToken = token;
    // One that was ended by another does nothing any more.
    const own = () => this.gestureToken === token && this.gestureBase !== null;
    return {
      preview: (edits) => {
        if (!own()) return;
        this.gestureEdits = squashed(edits);
        this.api.setState({ scene: applyEdits(this.gestureBase!, this.gestureEdits) });
      },
      commit: () => {
        if (own()) this.closeGesture(label);
      },
      cancel: () => {
        if (!own()) return;
        const base = this.gestureBase!;
        this.gestureBase = null;
        this.gestureEdits = [];
        this.api.setState({ scene: base });
      },
    };
  }

  get isGesturing(): boolean {
    return this.gestureBase !== null;
  }

  private commitOpenGesture(): void {
    if (this.gestureBase) this.closeGesture('Change');
  }

  private closeGesture(label: string): void {
    const base = this.gestureBase!;
    const edits = this.gestureEdits;
    this.gestureBase = null;
    this.gestureEdits = [];
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
    if (this.gestureBase) return;
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
    this.gestureBase = null;
    this.gestureEdits = [];
    this.api.setState({ scene, selection: standing(this.state.selection, scene) });
  }
}

/** What of a selection is still there. */
function standing(selection: readonly Picked[], scene: SceneDocument): Picked[] {
  return selection.filter(({ collection, id }) => scene[collection][id] !== undefined);
}
