/** What snags are looked for in: a scene, and its Moment at rest with every circuit lit, so that no hour hides a lamp. */
import type { Box } from '../../geometry/affine';
import { BoxIndex } from '../../geometry/box-index';
import { gateView } from '../../moment/moment-at';
import { MomentMaker, type MomentNames } from '../../moment/moment-maker';
import type { Moment, MomentLayer, MomentLight, MomentOccluder, MomentSprite } from '../../moment/moment';
import type { OccluderSource } from '../../moment/occluders';
import { NOTHING_PASSING } from '../../moment/passing';
import { settingsOf, type SceneDocument } from '../../scene/document';
import type { RecordName } from '../../scene/references';
import { namedLight, namedOccluder, type NamedLight } from '../named';

/** A light that burns, with what says so in the document. */
export interface BurningLight extends NamedLight {
  light: MomentLight;
  words: string;
}

export interface StandingOccluder {
  occluder: MomentOccluder;
  source: OccluderSource;
  record: RecordName;
  words: string;
}

export interface ShownSprite {
  sprite: MomentSprite;
  layer: MomentLayer;
  plane: number;
  record: RecordName;
}

/** Looks into a scene once for all kinds of snags; what was made for the last scene helps with the next. */
export class SnagGround {
  private readonly maker = new MomentMaker();
  private made: { scene: SceneDocument; rest: AtRest } | null = null;

  of(scene: SceneDocument): AtRest {
    if (this.made?.scene !== scene) this.made = { scene, rest: new AtRest(scene, this.maker) };
    return this.made.rest;
  }
}

/** A scene at second 0 of the hour at which it opens. */
export class AtRest {
  readonly moment: Moment;
  readonly names: MomentNames;
  readonly lights: readonly BurningLight[];
  readonly occluders: readonly StandingOccluder[];
  readonly sprites: readonly ShownSprite[];
  readonly spriteIndex: BoxIndex;
  readonly occluderIndex: BoxIndex;

  constructor(
    readonly scene: SceneDocument,
    maker: MomentMaker,
  ) {
    const lit = allLit(scene);
    this.moment = maker.at(lit, settingsOf(scene).clockHours, 0, NOTHING_PASSING, gateView(scene));
    this.names = maker.names(lit, this.moment, NOTHING_PASSING);
    const { moment, names } = this;
    this.lights = moment.lights.map((light, i) => {
      const named = namedLight(scene, moment.lightIds[i]);
      return { ...named, light, words: `“${named.name}”` };
    });
    this.occluders = moment.occluders.map((occluder, i) => {
      const source = names.occluders[i];
      return { ...namedOccluder(scene, source), occluder, source };
    });
    this.sprites = moment.planes.flatMap(({ overlay, layers }, plane) =>
      overlay
        ? []
        : layers.flatMap((layer, k) =>
            layer.sprites.map((sprite, s) => ({ sprite, layer, plane, record: names.drawn[plane][k][s] })),
          ),
    );
    this.spriteIndex = new BoxIndex(this.sprites.map(({ sprite }) => sprite.box));
    this.occluderIndex = new BoxIndex(this.occluders.map(({ occluder }) => occluder.box));
  }

  /** The occluders whose boxes meet another one, in their order. */
  occludersNear(box: Box): StandingOccluder[] {
    return this.occluderIndex.meeting(box).map((i) => this.occluders[i]);
  }

  /** The sprites whose boxes meet another one, in their order. */
  spritesNear(box: Box): ShownSprite[] {
    return this.spriteIndex.meeting(box).map((i) => this.sprites[i]);
  }
}

/** The scene with its circuits lit at every hour, as far as they ever are. */
function allLit(scene: SceneDocument): SceneDocument {
  const circuits = Object.fromEntries(
    Object.entries(scene.circuits).map(([id, circuit]) => [id, { ...circuit, switching: 'always' as const }]),
  );
  const cues = Object.fromEntries(
    Object.entries(scene.cues).map(([id, cue]) => [id, { ...cue, circuitLevels: [] }]),
  );
  return { ...scene, circuits, cues };
}

export function boxesMeet(a: Box, b: Box): boolean {
  return a.left < b.right && a.right > b.left && a.top < b.bottom && a.bottom > b.top;
}

/** Whether a light has a place and an end: suns and all that are the same everywhere do not. */
export function isBounded({ light }: BurningLight): boolean {
  return light.ambient === 'no' && Number.isFinite(light.box.left);
}
