/** Looks at the finished picture when the hand rests: what of it is burnt out or black. */
import { exposureShares } from '@/core/checks/snags/exposure';
import type { Studio } from './studio';

/** Looked at when nothing has changed for so long, and for so many frames: what takes a card long is not asked for often. */
const CALM_MS = 700;
const CALM_FRAMES = 8;

export class PictureLook {
  private timer: ReturnType<typeof setTimeout> | null = null;

  constructor(private readonly studio: Studio) {}

  /** Something of the picture may be another. */
  later(): void {
    this.close();
    const frameMs = this.studio.stage?.frameMs ?? 0;
    this.timer = setTimeout(() => this.look(), Math.max(CALM_MS, CALM_FRAMES * frameMs));
  }

  close(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
  }

  private look(): void {
    const { stage, scenes, pictures, live, snags } = this.studio;
    // While a day runs or something is dragged the next change comes at once.
    if (!stage || scenes.isGesturing || live.getState().dayRate !== 0) return;
    if (!pictures.isComplete) return this.later();
    const picture = stage.thumbnail();
    if (!picture) return;
    const shares = exposureShares(picture);
    snags.api.setState({ picture: { shares, clockHours: live.getState().clockHours } });
  }
}
