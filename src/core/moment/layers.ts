/** What planes show: runs of sprites that are lit as one. What did not change since the last Moment is not made anew. */
import type { ChunkIndex } from '../art/tiles';
import { frameOf, rectOf } from '../art/frames';
import { affineOf, composed, inverse, mappedBox, moved, normalMatrix, type Affine } from '../geometry/affine';
import { hexInLightSpace } from '../raster/colour';
import { Remembered } from '../remembered';
import type { Answer } from '../scene/records/answer';
import type { ArtworkFrame } from '../scene/records/artwork';
import type { Lamp } from '../scene/records/lamp';
import type { Plane } from '../scene/records/plane';
import { SEEN_GAIN } from '../scene/records/answer';
import type { Sprite } from '../scene/records/sprite';
import { NOTHING_DRAWN, RowMemory } from './rows';
import { flamePartsOf, lightPartsOf } from '../scene/lamp-parts';
import { PLAIN_PICTURE, type MomentLayer, type MomentSprite } from './moment';
import type { MomentStage } from './stage';
import { wickAt } from '../time/wick';
import { frameNumber, shownFrame } from './standing';
import { TileSprites } from './tile-sprites';

export class LayerMaker {
  private readonly rows = new RowMemory<LayerRuns>();
  private readonly sprites = new Remembered<Sprite, MomentSprite | null>();
  private readonly tiles = new TileSprites();

  /** A plane whose things stand still gives the same layers from Moment to Moment, until what it is made of changes. */
  layersOf(stage: MomentStage, chunks: ChunkIndex, planeId: string, plane: Plane): MomentLayer[] {
    return this.runsOf(stage, chunks, planeId, plane)?.layers ?? [];
  }

  /** What the sprites of a plane's layers are, in the same places as these. */
  namesOf(
    stage: MomentStage,
    chunks: ChunkIndex,
    planeId: string,
    plane: Plane,
  ): readonly (readonly DrawnName[])[] {
    return this.runsOf(stage, chunks, planeId, plane)?.names ?? [];
  }

  private runsOf(
    stage: MomentStage,
    chunks: ChunkIndex,
    planeId: string,
    plane: Plane,
  ): Pick<LayerRuns, 'layers' | 'names'> | null {
    const { scene, settings, standing, space, pictureIndex, passing, rows } = stage;
    if (!standing.showsPlane(planeId)) return null;
    const { artworks, reliefs, circuits } = scene;
    const row = rows.get(planeId) ?? NOTHING_DRAWN;
    const of = [
      ...[
        plane,
        settings.gateX,
        settings.gateY,
        artworks,
        reliefs,
        circuits,
        plane.tiles ? scene.chunks : null,
      ],
      ...[space, pictureIndex, passing.relief],
    ];
    const make = () => this.made(stage, chunks, planeId, plane);
    // The row of a plane without sprites is that of many planes.
    return row === NOTHING_DRAWN ? make() : this.rows.recall(row, artworks, of, make);
  }

  private made(stage: MomentStage, chunks: ChunkIndex, planeId: string, plane: Plane): LayerRuns {
    const { standing, circuits, rows } = stage;
    const runs = new LayerRuns(plane.overlay);
    const asPlane = {
      takesShadows: true,
      takesCasts: plane.ground,
      listens: circuits.mask(plane.circuitIds),
      seenGain: null,
    };
    for (const tiles of this.tiles.of(stage, chunks, planeId, plane))
      runs.add(
        tiles,
        { ...asPlane, seenGain: gainOf(plane.answer, plane.tiles?.seenGain ?? SEEN_GAIN) },
        { collection: 'planes', id: planeId },
      );
    for (const thing of rows.get(planeId) ?? NOTHING_DRAWN) {
      if (!standing.shows(thing.record)) continue;
      if (thing.kind === 'sprite') {
        const { record } = thing;
        const sprite = this.sprite(stage, plane, record);
        if (!sprite) continue;
        const look = {
          takesShadows: record.takesShadows,
          takesCasts: plane.ground && !record.castsShape,
          listens: record.circuitIds ? circuits.mask(record.circuitIds) : asPlane.listens,
          seenGain: gainOf(record.answer ?? plane.answer, record.seenGain),
        };
        runs.add(sprite, look, { collection: 'sprites', id: thing.id });
      } else {
        for (const { answer, seenGain, sprite } of flamesOf(stage, thing.id, thing.record))
          runs.add(
            sprite,
            { ...asPlane, seenGain: gainOf(answer, seenGain) },
            { collection: 'lamps', id: thing.id },
          );
      }
    }
    return runs;
  }

  /** A sprite as it is drawn; null where it shows nothing. */
  sprite(stage: MomentStage, plane: Plane, record: Sprite): MomentSprite | null {
    const { turning, path, hangsOn } = record;
    const opacity = record.opacity * stage.standing.presence(record);
    if (opacity <= 0) return null;
    const { scene, settings, standing, space, passing, pictureIndex } = stage;
    const { artworkId } = record;
    const hasRelief = passing.relief && artworkId !== null && scene.reliefs[artworkId] !== undefined;
    const make = () => {
      const stood = standing.sprite(record);
      if (!stood) return null;
      const { frame, map } = shownFrame(stood);
      return shownSprite(map, frame, {
        picture: artworkId === null ? PLAIN_PICTURE : pictureIndex.get(artworkId)!,
        hasRelief,
        opacity,
        selfLit: (record.answer ?? plane.answer) === 'self-lit',
        glowLevel: record.glowLevel * glowShare(stage, record),
        colour: record.plain && hexInLightSpace(record.plain.colour, space),
        stands: record.castsShape,
      });
    };
    if (hangsOn !== null || turning !== null || path !== null || record.glowsWithId !== null) return make();
    const artwork = artworkId === null ? null : scene.artworks[artworkId];
    if (artwork === undefined) return null;
    const frame = artwork ? frameNumber(record, artwork, stage.seconds) : 0;
    const { gateX, gateY } = settings;
    const of = [
      artwork,
      plane,
      frame,
      gateX,
      gateY,
      artworkId && pictureIndex.get(artworkId),
      space,
      hasRelief,
    ];
    return this.sprites.recall(record, of, make);
  }
}

/** The thing of the document that a sprite of a Moment is drawn for. */
export interface DrawnName {
  collection: 'sprites' | 'lamps' | 'planes';
  id: string;
}

type LayerLook = Omit<MomentLayer, 'sprites'>;

/** Puts sprites into layers as they come: neighbours that are lit alike share one. */
class LayerRuns {
  readonly layers: MomentLayer[] = [];
  /** What their sprites are, in the same places. */
  readonly names: DrawnName[][] = [];

  /** @param isUnlit nothing is lit at all: all is one layer */
  constructor(private readonly isUnlit: boolean) {}

  add(sprite: MomentSprite, look: LayerLook, name: DrawnName): void {
    const last = this.layers.at(-1);
    if (last && (this.isUnlit || isLitAlike(last, look))) {
      last.sprites.push(sprite);
      this.names.at(-1)!.push(name);
    } else {
      this.layers.push({ ...look, sprites: [sprite] });
      this.names.push([name]);
    }
  }
}

function isLitAlike(a: LayerLook, b: LayerLook): boolean {
  return (
    // What shows only in light shows by its own light alone.
    a.seenGain === null &&
    b.seenGain === null &&
    a.takesShadows === b.takesShadows &&
    a.takesCasts === b.takesCasts &&
    a.listens === b.listens
  );
}

/** How much of its glow a sprite has by the light that it glows with: that one's circuits and its wick. */
function glowShare({ scene, day, clockHours, seconds }: MomentStage, { glowsWithId }: Sprite): number {
  const light = glowsWithId === null ? null : scene.lights[glowsWithId];
  if (!light) return 1;
  if (light.hidden) return 0;
  const wick = light.wickId === null || light.still ? null : (scene.wicks[light.wickId] ?? null);
  return (
    day.power(light.circuitIds, glowsWithId!, clockHours) *
    (wick ? wickAt(wick, glowsWithId!, seconds).level : 1)
  );
}

function gainOf(answer: Answer, gain: number): number | null {
  return answer === 'seen-when-lit' ? gain : null;
}

function shownSprite(
  forward: Affine,
  frame: ArtworkFrame,
  look: Pick<MomentSprite, 'picture' | 'opacity' | 'selfLit' | 'glowLevel' | 'colour'> & {
    hasRelief: boolean;
    stands: boolean;
  },
): MomentSprite | null {
  const back = inverse(forward);
  if (!back) return null;
  const box = mappedBox(forward, frame.widthPx, frame.heightPx);
  // Field by field: spread objects are slow to make, and there may be thousands.
  return {
    picture: look.picture,
    opacity: look.opacity,
    selfLit: look.selfLit,
    glowLevel: look.glowLevel,
    colour: look.colour,
    frame: rectOf(frame),
    forward,
    inverse: back,
    box,
    footY: look.stands ? box.bottom : null,
    normal: look.hasRelief ? normalMatrix(forward) : null,
    grid: null,
  };
}

function flamesOf(
  { scene, standing, seconds, pictureIndex, passing, day, clockHours }: MomentStage,
  lampId: string,
  lamp: Lamp,
): { answer: Answer; seenGain: number; sprite: MomentSprite }[] {
  const map = standing.lamp(lamp);
  if (!map) return [];
  const power = Math.min(1, day.power(lamp.circuitIds, lampId, clockHours));
  const presence = standing.presence(lamp);
  const lights = lightPartsOf(scene, lamp);
  return flamePartsOf(scene, lamp).flatMap((flame) => {
    const artwork = scene.artworks[flame.artworkId];
    const selfLit = flame.answer === 'self-lit';
    // A flame goes with its circuit; of a lantern that is lit like all else what glows goes.
    const opacity = flame.opacity * presence * (selfLit ? power : 1);
    if (!artwork || opacity <= 0) return [];
    const figure = composed(map, affineOf({ ...flame, flipY: false }, artwork.pivotX, artwork.pivotY));
    const frame = frameOf(artwork, frameNumber(flame, artwork, seconds));
    const light = lights.find(({ id }) => id === flame.glowsWithId);
    const wick = light === undefined || light.still ? null : light.wick;
    const glow = flame.glowLevel * (wick ? wickAt(wick, lampId, seconds).level : 1);
    const sprite = shownSprite(moved(figure, frame.shiftX, frame.shiftY), frame, {
      picture: pictureIndex.get(flame.artworkId)!,
      hasRelief: passing.relief && scene.reliefs[flame.artworkId] !== undefined,
      opacity,
      selfLit,
      glowLevel: selfLit ? glow : glow * power,
      colour: null,
      stands: false,
    });
    return sprite ? [{ answer: flame.answer, seenGain: flame.seenGain, sprite }] : [];
  });
}
