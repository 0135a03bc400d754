/** One opened scene with all its stores. Everything in the studio is reached from here. */
import { ambientAt } from '@/core/time/cues';
import { linearToHex } from '@/core/raster/colour';
import { inOrder, type SceneDocument, settingsOf } from '@/core/scene/document';
import type { CollectionName, RecordOf } from '@/core/scene/records/all-records';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { applyEdits, change, firstStale, type Edit } from '@/core/scene/edits';
import { RowKeeper, type Rows } from '@/core/moment/rows';
import { MomentMaker } from '@/core/moment/moment-maker';
import type { FoundOccluders } from '@/core/moment/occluders';
import { NOTHING_PASSING, type Passing } from '@/core/moment/passing';
import { createArtBench, type ArtBenchStore } from './art-bench';
import { ArtWorkers } from './art-work';
import type { Bench } from './benches';
import {
  createDesk,
  type DeskStore,
  type PaintingAnswer,
  type SizeAnswer,
  type SizeQuestion,
} from './desk-store';
import { JournalWriter, readJournal, type Journal } from './journal';
import { createLive, type LiveStore } from './live';
import type { OpenStage, OpenView } from './open-view';
import { LongWork } from './long-work';
import { createReliefBench, type ReliefBenchStore } from './relief-bench';
import { passingOf, type WipeSide } from './passing-of';
import { PictureStore } from './pictures';
import { SceneStore, type Picked } from './scene-store';
import { createCosts, type CostStore } from './costs';
import { api, sendBatch, type OpenScene } from './server-api';
import { StrokeTurns } from './stroke-turns';
import { SceneSync } from './sync';

export type StudioInfo = Omit<OpenScene, 'document' | 'revision'>;

export class Studio {
  readonly scenes: SceneStore;
  readonly desk: DeskStore;
  readonly live: LiveStore;
  readonly artBench: ArtBenchStore = createArtBench();
  readonly reliefBench: ReliefBenchStore = createReliefBench();
  readonly costs: CostStore = createCosts();
  readonly work = new LongWork();
  readonly strokeTurns = new StrokeTurns();
  readonly workers = new ArtWorkers();
  readonly pictures: PictureStore;
  readonly sync: SceneSync;
  /** The view that shows it just now. */
  view: OpenView | null = null;
  /** The stage, while it is the view. */
  stage: OpenStage | null = null;
  /** For questions of panels and tools; views have one each. */
  private readonly maker = new MomentMaker();
  private readonly rowKeeper = new RowKeeper();
  private readonly writer: JournalWriter;
  private readonly leave: (() => void)[] = [];

  constructor(
    readonly info: StudioInfo,
    scene: SceneDocument,
    revision: number,
    journal: Journal | null,
    bench: Bench,
  ) {
    const unsent = unsentOf(journal, scene);
    this.scenes = new SceneStore(applyEdits(scene, unsent.shown), {
      undo: journal?.undo ?? [],
      redo: journal?.redo ?? [],
    });
    this.desk = createDesk(bench);
    this.live = createLive(settingsOf(scene).clockHours);
    this.pictures = new PictureStore(this.workers);
    this.sync = new SceneSync({
      server: {
        send: (batch, at) => sendBatch(info.id, batch, at),
        load: async () => api.openScene(info.id),
      },
      revision: unsent.isStale ? journal!.revision : revision,
      unsent: journal ? { inFlight: journal.inFlight, pending: journal.pending } : undefined,
      adopt: (next) => this.scenes.adopt(next),
      keep: () => this.writer.changed(),
      newId: () => crypto.randomUUID(),
      later: (work, ms) => {
        const timer = setTimeout(work, ms);
        return () => clearTimeout(timer);
      },
    });
    this.writer = new JournalWriter(info.id, () => this.journal());
    this.scenes.onKept = (edits) => this.sync.add(edits);
    this.desk.setState({ planeId: inOrder(this.scene.planes).at(-1)?.[0] ?? null });
    this.pictures.follow(this.scene);
    this.leave.push(
      this.scenes.api.subscribe((state, last) => {
        if (state.scene !== last.scene) this.pictures.follow(state.scene);
        if (state.undo !== last.undo || state.redo !== last.redo) this.writer.changed();
      }),
    );
    this.listenToPage();
  }

  /**
   * A view opened.
   * @param stage the same, where it is the stage
   * @returns to be called when it goes
   */
  opened(view: OpenView, stage: OpenStage | null = null): () => void {
    this.view = view;
    this.stage = stage;
    return () => {
      if (this.view !== view) return;
      this.view = null;
      this.stage = null;
    };
  }

  static async open(sceneId: string, bench: Bench): Promise<Studio> {
    const [{ document, revision, ...info }, journal] = await Promise.all([
      api.openScene(sceneId),
      readJournal(sceneId),
    ]);
    return new Studio(info, document, revision, journal, bench);
  }

  get scene(): SceneDocument {
    return this.scenes.state.scene;
  }

  /** What is drawn on each plane, in order. */
  get rows(): Rows {
    return this.rowKeeper.of(this.scene);
  }

  /** What stops light at the first second, and where each comes from. */
  occluders(): FoundOccluders {
    return this.maker.occluders(this.scene, 0, NOTHING_PASSING);
  }

  close(): void {
    this.writer.write();
    for (const leave of this.leave) leave();
    this.workers.stop();
  }

  /** Changes fields of one record as a step of its own. */
  set<C extends CollectionName>(
    label: string,
    collection: C,
    id: string,
    fields: Partial<RecordOf<C>>,
  ): void {
    const edit = change(this.scene, collection, id, fields);
    if (edit) this.scenes.transact({ label, edits: [edit] });
  }

  setSettings(label: string, fields: Partial<RecordOf<'settings'>>): void {
    this.set(label, 'settings', SETTINGS_ID, fields);
  }

  /** Ids of what is picked of one collection. */
  pickedOf(collection: CollectionName): string[] {
    return this.scenes.state.selection
      .filter((picked) => picked.collection === collection)
      .map((picked) => picked.id);
  }

  pick(...selection: Picked[]): void {
    this.scenes.select(selection);
  }

  /** The plane that new things are put on. */
  planeId(): string {
    const { planeId } = this.desk.getState();
    if (planeId && this.scene.planes[planeId]) return planeId;
    return inOrder(this.scene.planes).at(-1)?.[0] ?? '';
  }

  /** Asks what to do with a picture of a known name and another size; the answer comes from a dialog. */
  askAbout(size: SizeQuestion): Promise<SizeAnswer> {
    return new Promise((resolve) => {
      const answer = (given: SizeAnswer) => {
        this.desk.setState({ question: null });
        resolve(given);
      };
      this.desk.setState({ question: { ...size, answer } });
    });
  }

  /** Asks what becomes of the layers of a painting that was dropped on the stage. */
  askAboutPainting(name: string, layers: number): Promise<PaintingAnswer> {
    return new Promise((resolve) => {
      const answer = (given: PaintingAnswer) => {
        this.desk.setState({ painting: null });
        resolve(given);
      };
      this.desk.setState({ painting: { name, layers, answer } });
    });
  }

  say(notice: string | null): void {
    this.desk.setState({ notice });
  }

  /** What lasts only while looking, for one side of the wipe. */
  passing(side: WipeSide): Passing {
    return passingOf(this.desk.getState(), this.live.getState(), side);
  }

  /** The scene as it is looked at: a trial ambient in the place of the recorded one. */
  shown(): SceneDocument {
    const { trial } = this.desk.getState();
    const { scene } = this;
    if (!trial) return scene;
    const settings = { ...settingsOf(scene), ambientColour: trial.colour, ambientLevel: trial.level };
    return { ...scene, settings: { [SETTINGS_ID]: settings }, cues: {} };
  }

  /** The ambient light at the hour of the dayline, trial or recorded. */
  ambient(): { colour: string; level: number } {
    const { linear, level } = ambientAt(this.shown(), this.live.getState().clockHours);
    return { colour: linearToHex(linear), level };
  }

  private journal(): Journal {
    const { undo, redo } = this.scenes.state;
    return { ...this.sync.snapshot, undo: undo.slice(-500), redo };
  }

  private listenToPage(): void {
    const flush = () => {
      this.writer.write();
      this.sync.flush();
    };
    const hidden = () => document.visibilityState === 'hidden' && flush();
    const warn = (event: BeforeUnloadEvent) => {
      flush();
      if (this.sync.hasUnsent) event.preventDefault();
    };
    window.addEventListener('online', flush);
    document.addEventListener('visibilitychange', hidden);
    window.addEventListener('beforeunload', warn);
    this.leave.push(() => {
      window.removeEventListener('online', flush);
      document.removeEventListener('visibilitychange', hidden);
      window.removeEventListener('beforeunload', warn);
    });
  }
}

/**
 * What an earlier visit did not get to send, and whether it still fits. A batch that did arrive is in the scene
 * already: only what came after it is laid on top; sent again under its id it is answered and not applied twice.
 * What does not fit goes out at the old revision, and is met as a conflict.
 */
function unsentOf(journal: Journal | null, scene: SceneDocument): { shown: Edit[]; isStale: boolean } {
  if (!journal) return { shown: [], isStale: false };
  const { inFlight, pending } = journal;
  const all = [...(inFlight?.edits ?? []), ...pending];
  if (firstStale(scene, all) === null) return { shown: all, isStale: false };
  if (inFlight && firstStale(scene, pending) === null) return { shown: pending, isStale: false };
  return { shown: [], isStale: true };
}

/** A new id for a record. */
export function freshId(): string {
  return crypto.randomUUID();
}
