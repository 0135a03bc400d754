/** Pictures of a scene's gate at hours and seconds, at a whole enlargement. */
import type { TableSource } from '../finish/colour-table';
import { gateView } from '../moment/moment-at';
import type { Moment } from '../moment/moment';
import { MomentMaker } from '../moment/moment-maker';
import { NOTHING_PASSING } from '../moment/passing';
import { enlarged, type Image } from '../raster/image';
import { settingsOf, type SceneDocument } from '../scene/document';

export class GatePictures {
  private readonly maker: MomentMaker;

  constructor(
    private readonly scene: SceneDocument,
    tables: TableSource,
  ) {
    this.maker = new MomentMaker(tables);
  }

  /** What is drawn: pixel art is lit at scene px and enlarged afterwards, painted art is lit as it is shown. */
  moment(clockHours: number, seconds: number, enlarge: number): Moment {
    const { scene } = this;
    const view = gateView(scene, settingsOf(scene).pixelArt ? 1 : enlarge);
    return this.maker.at(scene, clockHours, seconds, NOTHING_PASSING, view);
  }

  /** Brings a drawn picture to its size. */
  sized(picture: Image, enlarge: number): Image {
    return settingsOf(this.scene).pixelArt ? enlarged(picture, enlarge) : picture;
  }

  /** Output pixels of a picture. */
  pixels(enlarge: number): number {
    const { gateWidthPx, gateHeightPx } = settingsOf(this.scene);
    return gateWidthPx * gateHeightPx * enlarge * enlarge;
  }
}
