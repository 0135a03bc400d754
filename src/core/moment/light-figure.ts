/** What a light's fields come to where it stands: its figure, its source and the box that it reaches. */
import { frameAt, frameOf, rectOf } from '../art/frames';
import { affineOf, applyTo, composed, inverse, mappedBox, type Affine, type Box } from '../geometry/affine';
import { cos, RADIANS_PER_DEGREE, sin, tan } from '../geometry/exact';
import { edgesOfClosed } from '../geometry/outline';
import { normaliseOutlines } from '../geometry/sound-outlines';
import { flattenedOutlines } from '../geometry/smooth';
import { settingsOf, type LightLook, type SceneDocument } from '../scene/document';
import type { MomentArea, MomentCone, MomentFigure, MomentGobo, MomentLight, MomentSource } from './moment';
import { boxOfEdges, mappedEdges } from './occluder-edges';

export type Figure = Pick<
  MomentLight,
  'figure' | 'x' | 'y' | 'corePx' | 'reachPx' | 'cone' | 'area' | 'gobo' | 'source' | 'size' | 'box'
>;

const EVERYWHERE: Box = { left: -Infinity, top: -Infinity, right: Infinity, bottom: Infinity };

/**
 * @param map from where the light's place is counted to the scene
 * @param x,y its place there
 * @param reach multiplies its reach, by its wick
 * @returns null where it gives nothing at all: an area without an outline, a gobo without a picture
 */
export function figureOf(
  scene: SceneDocument,
  look: LightLook,
  map: Affine,
  x: number,
  y: number,
  reach: number,
  seconds: number,
  pictureIndex: ReadonlyMap<string, number>,
): Figure | null {
  const [atX, atY] = applyTo(map, x, y);
  const kind = FIGURES[look.kind];
  const isArea = look.kind === 'area' || (look.kind === 'ambient' && look.outlines.length > 0);
  const figure: MomentFigure = isArea ? 'area' : kind;
  const area = isArea ? areaOf(look, map, x, y) : null;
  if (isArea && area!.edges.length === 0) return null;
  const gobo =
    look.kind === 'ambient' || look.kind === 'sun'
      ? null
      : goboOf(scene, look, map, x, y, seconds, pictureIndex);
  if (look.kind === 'gobo' && !gobo) return null;
  const reachPx = isArea ? look.featherPx : Math.max(1, look.corePx, look.reachPx * reach);
  const source = sourceOf(look, map, x, y);
  return {
    figure,
    x: atX,
    y: atY,
    corePx: isArea ? 0 : look.corePx,
    reachPx,
    cone: figure === 'cone' ? coneOf(look, map) : null,
    area,
    gobo: gobo && gobo.gobo,
    source,
    size: source.parallel ? tan(look.sizeDeg * RADIANS_PER_DEGREE) : look.sizePx,
    box: boxOf(figure, look, atX, atY, reachPx, area, gobo?.box ?? null),
  };
}

const FIGURES: Record<LightLook['kind'], MomentFigure> = {
  ambient: 'even',
  sun: 'even',
  point: 'round',
  spot: 'cone',
  area: 'area',
  gobo: 'picture',
};

function boxOf(
  figure: MomentFigure,
  { squash }: LightLook,
  x: number,
  y: number,
  reachPx: number,
  area: MomentArea | null,
  gobo: Box | null,
): Box {
  if (figure === 'even') return EVERYWHERE;
  if (figure === 'picture') return gobo!;
  if (figure === 'area') {
    const { left, top, right, bottom } = boxOfEdges(area!.edges);
    return grown({ left, top, right, bottom }, reachPx);
  }
  const round = {
    left: x - reachPx,
    top: y - reachPx / squash,
    right: x + reachPx,
    bottom: y + reachPx / squash,
  };
  return gobo ? overlap(round, gobo) : round;
}

export function grown({ left, top, right, bottom }: Box, by: number): Box {
  return { left: left - by, top: top - by, right: right + by, bottom: bottom + by };
}

function overlap(a: Box, b: Box): Box {
  return {
    left: Math.max(a.left, b.left),
    top: Math.max(a.top, b.top),
    right: Math.min(a.right, b.right),
    bottom: Math.min(a.bottom, b.bottom),
  };
}

/** A direction of the light's own as a unit vector of the scene. */
function directionOf({ a, b, c, d }: Affine, degrees: number): [number, number] {
  const [u, v] = [cos(degrees * RADIANS_PER_DEGREE), sin(degrees * RADIANS_PER_DEGREE)];
  const [x, y] = [a * u + c * v, b * u + d * v];
  const length = Math.sqrt(x * x + y * y);
  return length > 0 ? [x / length, y / length] : [1, 0];
}

function coneOf({ bearingDeg, beamDeg, fieldDeg }: LightLook, map: Affine): MomentCone {
  const [x, y] = directionOf(map, bearingDeg);
  const half = RADIANS_PER_DEGREE / 2;
  return { x, y, beam: beamDeg * half, field: Math.max(beamDeg, fieldDeg) * half };
}

const UNTURNED = { scaleX: 1, scaleY: 1, flipX: false, flipY: false };

const areas = new WeakMap<readonly number[][], { smooth: readonly number[][]; edges: Float64Array }>();

function areaOf(
  { outlines, smooth, turnDeg, featherPx }: LightLook,
  map: Affine,
  x: number,
  y: number,
): MomentArea {
  let known = areas.get(outlines);
  if (known?.smooth !== smooth) {
    const edges = edgesOfClosed(normaliseOutlines(flattenedOutlines(outlines, smooth, true)));
    known = { smooth, edges };
    areas.set(outlines, known);
  }
  const figure = composed(map, affineOf({ ...UNTURNED, x, y, turnDeg }, 0, 0));
  return { edges: mappedEdges(known.edges, figure), featherPx };
}

function goboOf(
  scene: SceneDocument,
  look: LightLook,
  map: Affine,
  x: number,
  y: number,
  seconds: number,
  pictureIndex: ReadonlyMap<string, number>,
): { gobo: MomentGobo; box: Box } | null {
  const { gobo, kind } = look;
  const artwork = gobo && scene.artworks[gobo.artworkId];
  const picture = gobo && pictureIndex.get(gobo.artworkId);
  if (!artwork || picture === undefined || picture === null) return null;
  const frame = frameOf(artwork, gobo.playing ? frameAt(artwork, seconds) : 0);
  const { widthPx, heightPx } = frame;
  const turnDeg = look.turnDeg + (kind === 'spot' ? look.bearingDeg : 0);
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
      nearest: gobo.crisp || settingsOf(scene).pixelArt,
    },
  };
}

/** Areas and gobos have a source of their own; a sun is parallel; all others shine from where they are. */
function sourceOf(look: LightLook, map: Affine, x: number, y: number): MomentSource {
  const hasOwn = look.kind === 'area' || look.kind === 'gobo';
  if (look.kind === 'sun' || (hasOwn && look.source === 'parallel')) {
    const [dx, dy] = directionOf(map, look.bearingDeg);
    const altitude = look.altitudeDeg * RADIANS_PER_DEGREE;
    const planar = cos(altitude);
    return { parallel: true, x: dx * planar, y: dy * planar, z: sin(altitude) };
  }
  const [sx, sy] = hasOwn ? applyTo(map, x + look.sourceX, y + look.sourceY) : applyTo(map, x, y);
  return { parallel: false, x: sx, y: sy, heightPx: look.heightPx };
}
