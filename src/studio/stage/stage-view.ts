/**
 * The stage: its picture, what is drawn over it, its pointer, its pace and its figures, on one surface. React gives it the
 * canvases and nothing else.
 */
import type { Image } from '@/core/raster/image';
import type { ToolName } from '../store/desk-store';
import type { DrawnFrame, OpenStage } from '../store/open-view';
import type { Studio } from '../store/studio';
import { PointerHint } from '../surface/pointer-hint';
import { Surface, type SurfaceOwner } from '../surface/surface';
import { fitGate } from '../surface/view';
import { allTools } from '../tools/all-tools';
import type { Tool } from '../tools/tool';
import { keepView } from './kept-view';
import { GatePictures } from './gate-pictures';
import { MiniView } from './mini-view';
import { StageOverlay, type OverlayLook } from './stage-overlay';
import { StagePace } from './stage-pace';
import { StagePicture } from './stage-picture';
import { StagePointer } from './stage-pointer';
import { StageReadout } from './stage-readout';

export interface StageElements extends OverlayLook {
  box: HTMLElement;
  picture: HTMLCanvasElement;
  marks: HTMLCanvasElement;
  readout: HTMLElement;
  hint: HTMLElement;
}

export class StageView implements OpenStage, SurfaceOwner {
  private readonly surface: Surface;
  private readonly tools: Record<ToolName, Tool>;
  private readonly mini: MiniView;
  private readonly gatePictures: GatePictures;
  private readonly picture: StagePicture;
  private readonly overlay: StageOverlay;
  private readonly pointer: StagePointer;
  private readonly pace: StagePace;
  private readonly readout: StageReadout;
  private readonly hint: PointerHint;
  private lastTool: ToolName = 'pick';

  constructor(
    private readonly studio: Studio,
    elements: StageElements,
  ) {
    const { box, picture, marks, readout, hint } = elements;
    this.surface = new Surface(box, [picture, marks], this);
    const { surface } = this;
    this.tools = allTools(studio);
    this.mini = new MiniView(studio);
    this.gatePictures = new GatePictures(studio);
    this.picture = new StagePicture(studio, surface, picture);
    this.overlay = new StageOverlay(studio, surface, this.picture, this.mini, elements);
    this.pointer = new StagePointer(studio, surface, this.mini, () => this.tool);
    this.pace = new StagePace(studio);
    this.readout = new StageReadout(studio, surface, readout);
    this.hint = new PointerHint(surface, hint);
    const { touch } = surface;
    surface.until(
      studio.scenes.api.subscribe(touch),
      studio.live.subscribe(() => this.pace.isAdvancing || touch()),
      studio.desk.subscribe(touch),
      studio.pictures.subscribe(touch),
      studio.elsewhere.subscribe(touch),
      studio.revisions.api.subscribe(touch),
      keepView(studio.info.id, studio.live),
    );
    surface.begin();
    if (studio.live.getState().zoom === 0) this.fit();
  }

  dispose(): void {
    putDown(this.tool);
    this.surface.dispose();
    this.picture.dispose();
  }

  fit(): void {
    this.studio.live.setState(fitGate(this.studio.scene, this.surface.size));
  }

  zoom(direction: number): void {
    const { width, height } = this.surface.size;
    this.pointer.zoomAbout(direction, width / 2, height / 2);
  }

  cancel(): void {
    this.surface.touch();
    if (this.tool.cancel()) return;
    // With nothing left to give up the tool itself is laid down.
    if (this.studio.desk.getState().tool !== 'pick') this.studio.desk.setState({ tool: 'pick' });
  }

  confirm(): void {
    this.tool.confirm?.();
    this.surface.touch();
  }

  thumbnail(): Image | null {
    this.surface.touch();
    return this.picture.thumbnail();
  }

  get frameMs(): number {
    return this.picture.renderer?.clock.ms ?? 0;
  }

  passes(): DrawnFrame | null {
    this.surface.touch();
    return this.picture.passes();
  }

  /** Where on the scene a mouse event lies. */
  scenePlace(event: MouseEvent): [number, number] {
    return this.pointer.scenePlace(event);
  }

  resized(): void {}

  tick(now: number, elapsedSeconds: number): boolean {
    this.followTool();
    const { renderer, isStill } = this.picture;
    const isWanted = this.pace.step(now, elapsedSeconds, renderer?.clock.ms ?? 0, isStill);
    const isNewMini = renderer !== null && this.mini.tend(renderer, now);
    const isNewPicture = renderer !== null && this.gatePictures.tend(renderer, now);
    return isWanted || isNewMini || isNewPicture;
  }

  draw(now: number): void {
    const start = performance.now();
    this.pace.drawn(now);
    const drawn = this.picture.draw();
    this.overlay.draw(this.tool, this.pointer.nearPx);
    const ms = this.picture.renderer?.clock.ms ?? performance.now() - start;
    this.readout.tell(drawn, ms);
    this.hint.tell(this.tool.hint(), this.studio.desk.getState().tool !== 'pick');
  }

  private get tool(): Tool {
    return this.tools[this.studio.desk.getState().tool];
  }

  private followTool(): void {
    const { tool } = this.studio.desk.getState();
    if (tool === this.lastTool) return;
    putDown(this.tools[this.lastTool]);
    this.lastTool = tool;
  }
}

/** Ends what a tool was doing; what is picked stays so. */
function putDown(tool: Tool): void {
  if (tool.leave) tool.leave();
  else tool.cancel();
}
