/** What is drawn over the picture of the stage: marks, what the tool shows, the mini-view, the edge of the wipe. */
import { LightReach } from '../lights/light-marks';
import { wipeWords } from '../commands/wipe-views';
import type { Studio } from '../store/studio';
import { Overlay, type OverlayColours } from '../surface/overlay';
import type { Surface } from '../surface/surface';
import type { Tool } from '../tools/tool';
import type { MiniView } from './mini-view';
import { drawStageMarks } from './stage-marks';
import type { StagePicture } from './stage-picture';

export interface OverlayLook {
  colours: OverlayColours;
  font: string;
}

export class StageOverlay {
  private readonly reach = new LightReach();

  constructor(
    private readonly studio: Studio,
    private readonly surface: Surface,
    private readonly picture: StagePicture,
    private readonly mini: MiniView,
    private readonly look: OverlayLook,
  ) {}

  draw(tool: Tool, nearPx: number): void {
    const { studio, surface, look } = this;
    const { size, ratio } = surface;
    const context = surface.top.getContext('2d')!;
    context.clearRect(0, 0, size.width, size.height);
    this.picture.drawStill(context);
    const live = studio.live.getState();
    const overlay = new Overlay(context, live, ratio, look.colours, look.font);
    drawStageMarks(overlay, studio, { reach: this.reach, nearPx, fades: tool.isDragging ?? false });
    tool.draw?.(overlay);
    this.mini.draw(context, size, ratio, look.colours.line, look.colours.picked);
    const { wipe } = studio.desk.getState();
    if (wipe) {
      const [left, right] = [wipe.left, wipe.right].map((view) =>
        view.view === 'reference' && this.picture.waitsForStill
          ? `${wipeWords(studio, view)}, being drawn`
          : wipeWords(studio, view),
      );
      overlay.wipe(Math.round(live.wipe * size.width), size.height, left, right);
    }
  }
}
