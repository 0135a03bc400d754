/** One opened scene with all its stores. Everything in the studio is reached from here. */
import { Remembered } from '@/core/remembered';
import { Day } from '@/core/time/day';
import { withTrial, type Trial } from '@/core/time/trial';
import { linearToHex } from '@/core/raster/colour';
import { inOrder, type SceneDocument, settingsOf } from '@/core/scene/document';
import type { CollectionName, RecordOf } from '@/core/scene/records/all-records';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import type { Change, Known } from '@/core/scene/changes';
import { change } from '@/core/scene/edits';
import { RowKeeper, type Rows } from '@/core/moment/rows';
import { MomentMaker } from '@/core/moment/moment-maker';
import { walked } from '@/core/moment/walk';
import type { FoundOccluders } from '@/core/moment/occluders';
import { NOTHING_PASSING, type Passing } from '@/core/moment/passing';
import { createArtBench, type ArtBenchStore } from './art-bench';
import { ArtWorkers } from './art-work';
import type { Bench } from './benches';
import { createDesk, type DeskStore } from './desk-store';
import { createElsewhere, deletedBy, overwrittenBy, tell, type ElsewhereStore } from './elsewhere';
import { TabJournal, type History } from './journal';
import { createLive, type LiveStore } from './live';
import { LiveFeed } from './live-feed';
import type { OpenStage, OpenView } from './open-view';
import { createExportOptions, type ExportOptionsStore } from './export-options';
import { LatestWork } from './latest-work';
import { LongWork } from './long-work';
import type { Answer, Question, QuestionKind, Told } from './questions';
import { createReliefBench, type ReliefBenchStore } from './relief-bench';
import { passingOf } from './passing-of';
import { tellPicks } from './own-picks';
import { ownPerson } from './person';
import { createPreferences, type PreferencesStore } from './preferences';
import { PictureStore } from './pictures';
import { SceneStore, type Picked } from './scene-store';
import { Checks } from './checks';
import { createCosts, type CostStore } from './costs';
import { api, sendBatch, type OpenScene } from './server-api';
import { GateSheet } from './gate-sheet';
import { Meter } from './meter';
import { Rounds } from './rounds';
import { StrokeTurns } from './stroke-turns';
import { sendLeft } from './send-left';
import { Snags } from './snags';
import { SceneSync, type AsideEdit, type Batch } from './sync';
import { Revisions } from './revisions';
import { LIT, type WipeView } from './wipe';

export type StudioInfo = Omit<OpenScene, 'document' | keyof Known>;

/** What a scene is opened with, beside its document. */
interface Opening {
  known: Known;
  journal: TabJournal;
  history: History | null;
  /** What earlier visits did not get to send. */
  unsent: Batch[];
  /** What could not be saved, and was kept aside. */
  aside: AsideEdit[];
}

export class Studio {
  readonly scenes: SceneStore;
  readonly desk: DeskStore;
  readonly live: LiveStore;
  readonly artBench: ArtBenchStore = createArtBench();
  readonly reliefBench: ReliefBenchStore = createReliefBench();
  readonly costs: CostStore = createCosts();
  readonly exportOptions: ExportOptionsStore;
  readonly preferences: PreferencesStore = createPreferences(true);
  readonly work = new LongWork();
  /** Looks for the outlines of frames while a rule is changed: a list of outlines for each frame. */
  readonly outlineSearch = new LatestWork<number[][][]>();
  readonly strokeTurns = new StrokeTurns();
  readonly rounds = new Rounds(this);
  readonly meter: Meter = new Meter(this);
  /** Small pictures of the gate. */
  readonly gateSheet = new GateSheet();
  readonly workers = new ArtWorkers();
  readonly pictures: PictureStore;
  readonly checks: Checks;
  readonly snags: Snags;
  readonly revisions: Revisions;
  readonly sync: SceneSync;
  readonly elsewhere: ElsewhereStore = createElsewhere();
  /** The view that shows it just now. */
  view: OpenView | null = null;
  /** The stage, while it is the view. */
  stage: OpenStage | null = null;
  /** For questions of panels and tools; views have one each. */
  private readonly maker = new MomentMaker();
  private readonly rowKeeper = new RowKeeper();
  private readonly trials = new Remembered<Trial, SceneDocument>();
  private readonly days = new Remembered<SceneDocument['cues'], Day>();
  private readonly journal: TabJournal;
  private readonly feed: LiveFeed;
  /** Settled when the last question is answered. */
  private asked: Promise<unknown> = Promise.resolve();
  private readonly leave: (() => void)[] = [];

  constructor(
    readonly info: StudioInfo,
    document: SceneDocument,
    { known, journal, history, unsent, aside }: Opening,
    bench: Bench,
  ) {
    this.journal = journal;
    this.sync = new SceneSync({
      send: (batch, at) => sendBatch(info.id, { ...batch, author: ownPerson() }, at),
      load: async () => {
        const { document: now, revision, changeNumber } = await api.openScene(info.id);
        return { document: now, known: { revision, changeNumber } };
      },
      ...{ document, known, unsent, aside },
      show: (next) => this.scenes.adopt(next),
      heard: (change) => this.heard(change),
      keep: () => this.keepUnsent(),
      newId: () => crypto.randomUUID(),
      later: (work, ms) => {
        const timer = setTimeout(work, ms);
        return () => clearTimeout(timer);
      },
    });
    const scene = this.sync.shown;
    this.scenes = new SceneStore(scene, history ?? undefined);
    this.desk = createDesk(bench);
    this.exportOptions = createExportOptions(info.projectId);
    this.live = createLive(settingsOf(scene).clockHours);
    this.pictures = new PictureStore(this.workers);
    this.checks = new Checks(this.pictures);
    this.snags = new Snags(() => this.scenes.kept, this.pictures.source);
    this.revisions = new Revisions(this.scenes, info.id, (words) => this.say(words));
    this.feed = new LiveFeed(info.id, ownPerson, () => this.sync.knownUpTo, {
      changes: (changes) => this.sync.receive(changes),
      reload: () => void this.sync.reload().then(() => this.feed.open()),
      people: (people) => this.elsewhere.setState({ people }),
    });
    this.scenes.onKept = (edits) => this.sync.add(edits);
    this.desk.setState({ planeId: inOrder(this.scene.planes).at(-1)?.[0] ?? null });
    this.pictures.follow(this.scene);
    this.leave.push(
      this.scenes.api.subscribe((state, last) => {
        if (state.scene !== last.scene) this.pictures.follow(state.scene);
        if (state.undo !== last.undo || state.redo !== last.redo)
          this.journal.keepHistory(() => this.scenes.state);
      }),
    );
    // A trial belongs to its hour.
    this.leave.push(
      this.live.subscribe((state, last) => {
        if (state.clockHours !== last.clockHours && this.desk.getState().trial)
          this.desk.setState({ trial: null });
      }),
    );
    this.leave.push(
      tellPicks(this.scenes, this.elsewhere, (picked) => api.keepPicks(info.id, ownPerson().id, picked)),
    );
    this.listenToPage();
    this.feed.open();
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

  /** Sends what earlier visits left, and then opens the scene as it stands. */
  static async open(sceneId: string, bench: Bench): Promise<Studio> {
    const { journal, left, history } = await TabJournal.open(sceneId);
    try {
      const { unsent, aside } = await sendLeft(sceneId, left);
      const { document, revision, changeNumber, ...info } = await api.openScene(sceneId);
      const known = { revision, changeNumber };
      await journal.takeOver({ known, batches: unsent, aside });
      return new Studio(info, document, { known, journal, history, unsent, aside }, bench);
    } catch (thrown) {
      journal.close();
      throw thrown;
    }
  }

  get scene(): SceneDocument {
    return this.scenes.state.scene;
  }

  /** What is drawn on each plane, in order. */
  get rows(): Rows {
    return this.rowKeeper.of(this.scene);
  }

  /** What stops light at a second, and where each comes from. */
  occluders(seconds = 0): FoundOccluders {
    return this.maker.occluders(this.scene, seconds, NOTHING_PASSING);
  }

  close(): void {
    this.journal.writeHistory(() => this.scenes.state);
    for (const leave of this.leave) leave();
    this.feed.close();
    this.sync.close();
    this.journal.close();
    this.workers.stop();
    this.checks.close();
    this.meter.close();
    this.snags.close();
  }

  /** Another name for oneself, as the others see it. */
  nameChanged(): void {
    this.feed.open();
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

  /** Asks by a dialog, after those that are asked already. @returns what was answered */
  ask<K extends QuestionKind>(kind: K, tells: Told<K>): Promise<Answer<K>> {
    const asked = this.asked.then(
      () =>
        new Promise<Answer<K>>((resolve) => {
          const question: Question<K> = {
            kind,
            tells,
            answer: (given) => {
              this.desk.setState({ question: null });
              resolve(given);
            },
          };
          this.desk.setState({ question: question as unknown as Question });
        }),
    );
    this.asked = asked;
    return asked;
  }

  say(notice: string | null): void {
    this.desk.setState({ notice });
  }

  /** Says what is worth knowing but asks for nothing: it goes by itself. */
  mention(mention: string | null): void {
    this.desk.setState({ mention });
  }

  /** What lasts only while looking, for what a side of the wipe shows. */
  passing(view: WipeView = LIT): Passing {
    return passingOf(this.desk.getState(), this.live.getState(), this.ambient().level, view);
  }

  /** The scene as it is looked at: what is tried in the place of what is recorded. */
  shown(): SceneDocument {
    const { trial } = this.desk.getState();
    const { scene } = this;
    return trial ? this.trials.recall(trial, [scene], () => withTrial(scene, trial)) : scene;
  }

  /** The scene with a figure where it walks just now. */
  walked(): SceneDocument {
    const { walk, seconds } = this.live.getState();
    return walk ? walked(this.scene, walk, seconds) : this.scene;
  }

  /** The day of the scene as it is looked at. */
  day(): Day {
    const scene = this.shown();
    const { cues, circuits, settings } = scene;
    return this.days.recall(cues, [circuits, settings], () => new Day(scene));
  }

  /** The ambient light at the hour of the dayline, trial or recorded. */
  ambient(): { colour: string; level: number } {
    const { linear, level } = this.day().ambient(this.live.getState().clockHours);
    return { colour: linearToHex(linear), level };
  }

  /** Says what a change by others wrote over or deleted of what was set here. */
  private heard({ author, edits, overwritten }: Change): void {
    const own = ownPerson();
    for (const one of overwritten)
      if (this.sync.isOwn(one)) tell(this.elsewhere, overwrittenBy(this.scene, edits, { author, own }, one));
    const unsent = new Set(this.sync.unsent.map(({ collection, id }) => `${collection}/${id}`));
    for (const { collection, id, after } of edits) {
      const record = this.scene[collection][id];
      if (after === null && record && unsent.has(`${collection}/${id}`))
        tell(this.elsewhere, deletedBy({ author, own }, collection, id, record));
    }
  }

  private keepUnsent(): Promise<void> {
    return this.journal.keepUnsent(() => ({
      known: this.sync.knownUpTo,
      batches: [...this.sync.waiting],
      aside: [...this.sync.aside],
    }));
  }

  private listenToPage(): void {
    const flush = () => {
      this.journal.writeHistory(() => this.scenes.state);
      this.sync.flush();
    };
    const back = () => {
      flush();
      this.pictures.retryAll();
    };
    const hidden = () => document.visibilityState === 'hidden' && flush();
    const warn = (event: BeforeUnloadEvent) => {
      flush();
      if (this.sync.hasUnsent) event.preventDefault();
    };
    window.addEventListener('online', back);
    document.addEventListener('visibilitychange', hidden);
    window.addEventListener('beforeunload', warn);
    this.leave.push(() => {
      window.removeEventListener('online', back);
      document.removeEventListener('visibilitychange', hidden);
      window.removeEventListener('beforeunload', warn);
    });
  }
}

/** A new id for a record. */
export function freshId(): string {
  return crypto.randomUUID();
}
