/**
 * `scene -> Moment`: resolves everything that depends on time, cues, wicks, planes and the gate, in stages that each read
 * what the one before has settled: where everything stands, then occluders, lights with the shapes thrown in them, and
 * layers. Pure: what is remembered from call to call changes nothing but the time it takes, and the order of records in the
 * document changes no bit of what comes out. A record that a Moment hands out is never changed afterwards.
 */
import { chunkIndex, type ChunkIndex } from '../art/tiles';
import { NO_TABLES, type TableSource } from '../finish/colour-table';
import { hexInLightSpace, linearInLightSpace, type Rgb } from '../raster/colour';
import { Remembered } from '../remembered';
import { sameItems } from '../same-items';
import { compare, inOrder, type SceneDocument, settingsOf } from '../scene/document';
import type { Plane } from '../scene/records/plane';
import type { SceneSettings } from '../scene/records/settings';
import { Day } from '../time/day';
import { PathRuler } from '../time/path-run';
import type { SkyLight } from '../time/sky';
import { SKY_BODIES, type SkyBody } from '../time/sky-fields';
import { Casts } from './casts';
import { absentLights, type AbsentLight } from './absent';
import { driftsAt } from './drifts';
import { finishAt, planeBlurs } from './finish';
import { Circuits } from './circuits';
import { RowKeeper } from './rows';
import { LayerMaker, type DrawnName } from './layers';
import { LightMaker } from './lights';
import type { Moment, MomentPicture, MomentSprite, View } from './moment';
import { NO_OCCLUDERS, OccluderFinder, type FoundOccluders, type OccluderSource } from './occluders';
import { NOTHING_PASSING, type Passing } from './passing';
import type { MomentStage, PlaneStack } from './stage';
import { Standing } from './standing';
import { walked } from './walk';
import { washesAt, type LaidWash } from './washes';

interface Pictures {
  pictures: MomentPicture[];
  index: ReadonlyMap<string, number>;
}

/** What the numbers of a Moment stand for, in the same places. */
export interface MomentNames {
  planeIds: readonly string[];
  /** By plane, layer and sprite. */
  drawn: readonly (readonly (readonly DrawnName[])[])[];
  occluders: readonly OccluderSource[];
  washes: readonly string[];
  absent: readonly AbsentLight[];
}

/** Makes Moments of one view, one after the other. */
export class MomentMaker {
  private readonly rows = new RowKeeper();
  private readonly ruler = new PathRuler();
  private readonly finder = new OccluderFinder();
  private readonly lightMaker = new LightMaker();
  private readonly layerMaker = new LayerMaker();
  private readonly circuits = new Remembered<SceneDocument['circuits'], Circuits>();
  private readonly days = new Remembered<SceneDocument['cues'], Day>();
  private readonly chunks = new Remembered<SceneDocument['chunks'], ChunkIndex>();
  private readonly pictures = new Remembered<SceneDocument['artworks'], Pictures>();
  private planeStack: PlaneStack = { ids: [], index: new Map() };

  /** @param tables where lookup tables of colours are found */
  constructor(private readonly tables: TableSource = NO_TABLES) {}

  at(kept: SceneDocument, clockHours: number, seconds: number, passing: Passing, view: View): Moment {
    const scene = passing.walk ? walked(kept, passing.walk, seconds) : kept;
    const { artworks } = scene;
    const { pictures, index } = this.pictures.recall(artworks, [], () => picturesOf(artworks));
    const stage = this.stage(scene, clockHours, seconds, passing, index);
    const { settings, space, planes, standing, day } = stage;
    const chunks = this.chunksOf(scene);
    const found = passing.unlit || !passing.shadows ? NO_OCCLUDERS : this.finder.find(stage, chunks);
    const casts = new Casts(stage);
    const castsIn = passing.shadows ? casts.in.bind(casts) : () => [];
    const { lights, lightIds } = passing.unlit
      ? { lights: [], lightIds: [] }
      : this.lightMaker.lights(stage, found, castsIn);
    const ambient = day.ambient(clockHours);
    const settingsNow = day.settingsAt(clockHours);
    const ambientLight = scaled(linearInLightSpace(ambient.linear, space), ambient.level);
    const drifts = passing.unlit ? [] : driftsAt(stage, settingsNow, ambientLight);
    const blurs = planeBlurs(stage, settingsNow, planes);
    return {
      clockHours,
      seconds,
      lightSpace: space,
      pixelArt: settings.pixelArt,
      gate: {
        left: settings.gateX,
        top: settings.gateY,
        right: settings.gateX + settings.gateWidthPx,
        bottom: settings.gateY + settings.gateHeightPx,
      },
      view,
      backdrop: { colour: hexInLightSpace(settings.backdropColour, space), lit: settings.backdropLit },
      ambient: ambientLight,
      workLamp: [passing.workLamp, passing.workLamp, passing.workLamp],
      unlit: passing.unlit,
      finish: finishAt(stage, settingsNow, this.tables),
      drifts: drifts.map(({ drift }) => drift),
      washes: this.washes(stage, settingsNow).map(({ laid }) => laid),
      planes: planes.map(([planeId, plane], place) => {
        const { e: originX, f: originY } = standing.planeMap(planeId)!;
        return {
          tint: hexInLightSpace(plane.tint, space),
          originX,
          originY,
          overlay: plane.overlay,
          blurPx: blurs[place],
          drifts: drifts.map(({ strengthOn }) => strengthOn(plane, place, planes.length)),
          layers: this.layerMaker.layersOf(stage, chunks, planeId, plane),
        };
      }),
      lights,
      lightIds,
      occluders: found.occluders,
      casts: casts.all,
      pictures,
    };
  }

  /** What the things of a Moment are in the document, and what of the document is not in it. */
  names(kept: SceneDocument, moment: Moment, passing: Passing): MomentNames {
    const { clockHours, seconds, lightIds } = moment;
    const scene = passing.walk ? walked(kept, passing.walk, seconds) : kept;
    const pictures = this.pictures.recall(scene.artworks, [], () => picturesOf(scene.artworks));
    const stage = this.stage(scene, clockHours, seconds, passing, pictures.index);
    const chunks = this.chunksOf(scene);
    return {
      planeIds: stage.planeStack.ids,
      drawn: stage.planes.map(([planeId, plane]) => this.layerMaker.namesOf(stage, chunks, planeId, plane)),
      occluders: moment.occluders.length === 0 ? [] : this.finder.find(stage, chunks).sources,
      washes: this.washes(stage, stage.day.settingsAt(clockHours)).map(({ wash }) =>
        Object.keys(scene.washes).find((id) => scene.washes[id] === wash)!,
      ),
      absent: moment.unlit ? [] : absentLights(stage, new Set(lightIds)),
    };
  }

  /** What stops light at one second, and where each comes from. */
  occluders(scene: SceneDocument, seconds: number, passing: Passing): FoundOccluders {
    // Where things stand does not depend on the hour.
    return this.finder.find(this.stage(scene, 0, seconds, passing, new Map()), this.chunksOf(scene));
  }

  /** One sprite as it is drawn at an hour and a second; null where it is hidden, away or gone. */
  sprite(scene: SceneDocument, clockHours: number, seconds: number, spriteId: string): MomentSprite | null {
    const record = scene.sprites[spriteId];
    const plane = record && scene.planes[record.planeId];
    if (!plane) return null;
    const pictures = this.pictures.recall(scene.artworks, [], () => picturesOf(scene.artworks));
    const stage = this.stage(scene, clockHours, seconds, NOTHING_PASSING, pictures.index);
    const { standing } = stage;
    if (!standing.showsPlane(record.planeId) || !standing.shows(record)) return null;
    return this.layerMaker.sprite(stage, plane, record);
  }

  private washes(stage: MomentStage, settingsNow: SceneSettings): LaidWash[] {
    const { passing, settings } = stage;
    return passing.unlit ? [] : washesAt(stage, settingsNow, passing.walk?.spriteId ?? settings.figureId);
  }

  private stage(
    scene: SceneDocument,
    clockHours: number,
    seconds: number,
    passing: Passing,
    pictureIndex: ReadonlyMap<string, number>,
  ): MomentStage {
    const settings = settingsOf(scene);
    const planes = inOrder(scene.planes);
    const day = this.dayOf(scene);
    return {
      ...{ scene, settings, day, clockHours, seconds, passing, planes, pictureIndex },
      space: settings.lightSpace,
      sky: skyAt(day, clockHours),
      standing: new Standing(scene, seconds, passing.soloPlanes, this.ruler),
      planeStack: this.stackOf(planes),
      rows: this.rows.of(scene),
      circuits: this.circuits.recall(scene.circuits, [], () => new Circuits(scene.circuits)),
    };
  }

  private dayOf(scene: SceneDocument): Day {
    const { cues, circuits, settings } = scene;
    return this.days.recall(cues, [circuits, settings], () => new Day(scene));
  }

  private stackOf(planes: readonly (readonly [string, Plane])[]): PlaneStack {
    const ids = planes.map(([id]) => id);
    if (!sameItems(ids, this.planeStack.ids))
      this.planeStack = { ids, index: new Map(ids.map((id, index) => [id, index])) };
    return this.planeStack;
  }

  private chunksOf({ chunks }: SceneDocument): ChunkIndex {
    return this.chunks.recall(chunks, [], () => chunkIndex(chunks));
  }
}

function picturesOf(artworks: SceneDocument['artworks']): Pictures {
  const ids = Object.keys(artworks).sort(compare);
  const pictures = ids.map((key) => {
    const { widthPx, heightPx } = artworks[key];
    return { key, widthPx, heightPx };
  });
  return { pictures, index: new Map(ids.map((id, index) => [id, index])) };
}

function skyAt({ sky }: Day, clockHours: number): Record<SkyBody, SkyLight> {
  return Object.fromEntries(SKY_BODIES.map((body) => [body, sky.light(body, clockHours)])) as Record<
    SkyBody,
    SkyLight
  >;
}

function scaled([r, g, b]: Rgb, by: number): Rgb {
  return [r * by, g * by, b * by];
}
