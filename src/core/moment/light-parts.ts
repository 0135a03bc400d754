/** What kinds of lights ask for where they stand: their outlines and their gobo, in the scene. */
import { frameAt, frameOf, rectOf } from '../art/frames';
import { affineOf, composed, inverse, mappedBox, type Affine } from '../geometry/affine';
import { boxOfEdges } from '../geometry/outline';
import type { LightLook } from '../scene/records/light-look';
import type { SkyLight } from '../time/sky';
import type { PlacedLight } from './light-kinds/shape';
import { EdgeMemory, mappedEdges } from './occluder-edges';
import type { MomentStage } from './stage';

const UNTURNED = { scaleX: 1, scaleY: 1, flipX: false, flipY: false };

export class LightParts {
  private readonly edges = new EdgeMemory();

  /**
   * @param map from where the light's place is counted to the scene
   * @param x,y its place there
   * @param reachShare multiplies its reach, by its wick
   * @param sky what it follows of the sky
   */
  placed(
    stage: MomentStage,
    look: LightLook,
    map: Affine,
    x: number,
    y: number,
    reachShare: number,
    sky: SkyLight | null,
  ): PlacedLight {
    return new Placing(this, stage, look, map, x, y, reachShare, sky);
  }

  areaOf(
    { outlines, smooth, turnDeg, featherPx }: LightLook,
    map: Affine,
    x: number,
    y: number,
  ): ReturnType<PlacedLight['area']> {
    const local = this.edges.of({ kind: 'closed', outlines, smooth });
    if (local.length === 0) return null;
    const edges = mappedEdges(local, composed(map, affineOf({ ...UNTURNED, x, y, turnDeg }, 0, 0)));
    return { area: { edges, featherPx }, box: boxOfEdges(edges) };
  }
}

/** A light where it stands: an object of a class, as there may be thousands of them at each frame. */
class Placing implements PlacedLight {
  readonly sceneX: number;
  readonly sceneY: number;
  readonly viewTiltDeg: number;

  constructor(
    private readonly parts: LightParts,
    private readonly stage: MomentStage,
    readonly fields: LightLook,
    readonly map: Affine,
    readonly x: number,
    readonly y: number,
    readonly reachShare: number,
    readonly sky: SkyLight | null,
  ) {
    this.sceneX = map.a * x + map.c * y + map.e;
    this.sceneY = map.b * x + map.d * y + map.f;
    this.viewTiltDeg = stage.settings.viewTiltDeg;
  }

  area(): ReturnType<PlacedLight['area']> {
    return this.parts.areaOf(this.fields, this.map, this.x, this.y);
  }

  gobo(turnDeg: number): ReturnType<PlacedLight['gobo']> {
    if (this.fields.gobo === null) return null;
    return goboOf(this.stage, this.fields, this.map, this.x, this.y, turnDeg);
  }
}

function goboOf(
  { scene, settings, seconds, pictureIndex }: MomentStage,
  { gobo, still }: LightLook,
  map: Affine,
  x: number,
  y: number,
  turnDeg: number,
): ReturnType<PlacedLight['gobo']> {
  const artwork = gobo && scene.artworks[gobo.artworkId];
  const picture = gobo && pictureIndex.get(gobo.artworkId);
  if (!artwork || picture === undefined || picture === null) return null;
  const at = still ? 0 : seconds * gobo.speed;
  const frame = frameOf(artwork, gobo.playing ? frameAt(artwork, at, gobo.frame) : gobo.frame);
  const { widthPx, heightPx } = frame;
  const scale = { scaleX: gobo.widthPx / widthPx, scaleY: gobo.heightPx / heightPx };
  const placing = { ...UNTURNED, ...scale, x, y, turnDeg };
  const forward = composed(map, affineOf(placing, widthPx / 2, heightPx / 2));
  const back = inverse(forward);
  if (!back) return null;
  return {
    box: mappedBox(forward, widthPx, heightPx),
    gobo: {
      picture,
      frame: rectOf(frame),
      inverse: back,
      fadeX: gobo.fadePx / scale.scaleX,
      fadeY: gobo.fadePx / scale.scaleY,
      nearest: gobo.crisp || settings.pixelArt,
    },
  };
}
