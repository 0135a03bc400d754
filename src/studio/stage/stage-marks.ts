/** What stands over the stage whatever the tool: gate, occluders, lights, and the handles of what is picked. */
import { applyTo } from '@/core/geometry/affine';
import { lightPartsOf } from '@/core/scene/lamp-parts';
import { inOrder, type SceneDocument, settingsOf } from '@/core/scene/document';
import type { Fixture } from '@/core/scene/records/fixture';
import type { LightLook } from '@/core/scene/records/light-look';
import type { Studio } from '../store/studio';
import { handlesOf, isOfLight, spriteCorners } from '../tools/handles';
import { Standing } from '@/core/moment/standing';
import { workAtHand } from '../tools/work-at-hand';
import { broughtEdges, drawnOutlines } from '../store/outline-places';
import { FIXTURES, type FixtureCollection } from '../store/fixtures';
import { LIGHT_SCREENS } from '../lights/kinds/all-kinds';
import { drawFigure, drawLightHandle, drawReached, type LightReach } from '../lights/light-marks';
import { pickedLight } from '../lights/picked-light';
import type { Overlay } from '../surface/overlay';

export interface MarkOptions {
  reach: LightReach;
  nearPx: number;
  /** Something is being dragged: handles step back, so that they never hide the light. */
  fades: boolean;
}

export function drawStageMarks(overlay: Overlay, studio: Studio, options: MarkOptions): void {
  const { fades } = options;
  const scene = studio.walked();
  const { seconds } = studio.live.getState();
  const { selection } = studio.scenes.state;
  const { gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(scene);
  overlay.frame(gateX, gateY, gateWidthPx, gateHeightPx, `Gate ${gateWidthPx} × ${gateHeightPx}`);
  const isPicked = (id: string) => selection.some((picked) => picked.id === id);
  const { tool } = studio.desk.getState();
  const showsOutlines =
    tool === 'outline' ||
    tool === 'line' ||
    studio.pickedOf('occluders').length > 0 ||
    studio.pickedOf('lights').length > 0 ||
    studio.pickedOf('lamps').length > 0;
  const { context } = overlay;
  context.globalAlpha = fades ? 0.35 : 1;
  for (const [id, occluder] of Object.entries(scene.occluders)) {
    if (
      occluder.hidden ||
      !(showsOutlines || isPicked(id) || (occluder.spriteId && isPicked(occluder.spriteId)))
    )
      continue;
    context.globalAlpha = (fades ? 0.35 : 1) * (isPicked(id) ? 1 : 0.55);
    for (const points of drawnOutlines(scene, occluder, seconds))
      overlay.path(points, occluder.kind === 'closed', isPicked(id));
  }
  context.globalAlpha = (fades ? 0.35 : 1) * 0.55;
  const isLightPicked = FIXTURES.some((collection) => studio.pickedOf(collection).length > 0);
  const draws = tool === 'outline' || tool === 'line';
  const isWanted = (spriteId: string | null) =>
    isLightPicked || draws || (spriteId !== null && isPicked(spriteId));
  const wantsAny = isLightPicked || draws || studio.pickedOf('sprites').length > 0;
  const brought = wantsAny ? broughtEdges(studio.occluders(seconds), scene, isWanted) : [];
  for (const edges of brought) overlay.segments(edges, overlay.colours.line, 1.2, [2, 3]);
  context.globalAlpha = fades ? 0.35 : 1;
  for (const { collection, id } of selection) {
    if (collection === 'sprites') overlay.path(spriteCorners(scene, id, seconds), true, true);
  }
  drawHandles(overlay, studio, options, seconds);
  context.globalAlpha = fades ? 0.6 : 1;
  const standing = new Standing(scene, seconds);
  for (const collection of FIXTURES) {
    for (const [id, fixture] of inOrder<Fixture>(scene[collection])) {
      const ground = standing.shows(fixture) ? standing.ground(fixture) : null;
      const place = ground && applyTo(ground, fixture.x, fixture.y);
      if (place) overlay.glyph(...place, { ...glyphOf(scene, collection, id), isPicked: isPicked(id) });
    }
  }
  context.globalAlpha = 1;
  drawOthersPicks(overlay, studio, standing);
}

/** What others have picked, with their names. */
function drawOthersPicks(overlay: Overlay, studio: Studio, standing: Standing): void {
  const { scene, seconds } = standing;
  const { line } = overlay.colours;
  for (const { name, picked } of studio.elsewhere.getState().people)
    for (const { collection, id } of picked) {
      const words = name || 'Somebody';
      if (collection === 'sprites' && scene.sprites[id]) {
        const corners = spriteCorners(scene, id, seconds);
        overlay.segments(edgesOf(corners), line, 1.4, [1, 3]);
        if (corners.length > 0) overlay.words(...corners[0], words, 0, -6, line);
      } else if (collection === 'lights' || collection === 'lamps') {
        const fixture = scene[collection][id];
        const ground = fixture && standing.shows(fixture) ? standing.ground(fixture) : null;
        if (ground) overlay.words(...applyTo(ground, fixture.x, fixture.y), words, 10, 16, line);
      }
    }
}

/** The sides of a closed outline, four numbers each. */
function edgesOf(corners: readonly (readonly [number, number])[]): number[] {
  return corners.flatMap((corner, i) => [...corner, ...corners[(i + 1) % corners.length]]);
}

/** The colour of a light, or of a lamp's first one, and whether it throws shadows. */
function glyphOf(
  scene: SceneDocument,
  collection: FixtureCollection,
  id: string,
): { colour: string; throwsShadows: boolean; isLamp: boolean } {
  const isLamp = collection === 'lamps';
  const looks: LightLook[] = isLamp ? lightPartsOf(scene, scene.lamps[id]) : [scene.lights[id]];
  return {
    colour: looks[0]?.colour ?? '#808080',
    throwsShadows: looks.some(({ shadows }) => shadows),
    isLamp,
  };
}

function drawHandles(
  overlay: Overlay,
  studio: Studio,
  { nearPx, reach }: MarkOptions,
  seconds: number,
): void {
  const { scene } = studio;
  const { selection } = studio.scenes.state;
  const work = workAtHand(studio);
  if (work) return work.draw(overlay, studio);
  const { partId } = studio.desk.getState();
  const picked = selection.length === 1 ? pickedLight(scene, selection[0], partId, seconds) : null;
  if (picked) {
    const { light, place } = picked;
    const found = reach.of(scene, picked, studio.live.getState().clockHours, seconds);
    if (found) drawReached(overlay, picked, found);
    drawFigure(overlay, picked);
    if (!light.shadows && !LIGHT_SCREENS[light.kind].isAmbient)
      overlay.words(...place, 'throws no shadows', 12, -12, overlay.colours.warning);
  }
  for (const handle of handlesOf(scene, selection, { nearPx, seconds, partId })) {
    if (isOfLight(handle)) {
      if (picked) drawLightHandle(overlay, picked, handle);
    } else if (handle.kind === 'turn') overlay.ring(handle.x, handle.y);
    else if (handle.kind !== 'gate') overlay.pointMark(handle.x, handle.y, true);
  }
}
