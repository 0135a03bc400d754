/** What stands over the stage whatever the tool: gate, occluders, lights, and the handles of what is picked. */
import { applyTo } from '@/core/geometry/affine';
import { lightPartsOf } from '@/core/moment/lamps';
import { inOrder, type SceneDocument, settingsOf } from '@/core/scene/document';
import type { Fixture } from '@/core/scene/records/fixture';
import type { LightLook } from '@/core/scene/records/light-look';
import type { Studio } from '../store/studio';
import { handlesOf, isOfLight, spriteCorners } from '../tools/handles';
import { fixturePlace, Standing } from '@/core/moment/standing';
import { drawnOutlines } from '../store/outline-places';
import { FIXTURES, type FixtureCollection } from '../tools/hits';
import { LIGHT_SCREENS } from '../lights/kinds/all-kinds';
import { drawFigure, drawLightHandle, drawReached, type LightReach } from '../lights/light-marks';
import type { Overlay } from '../surface/overlay';

export interface MarkOptions {
  reach: LightReach;
  nearPx: number;
  /** Something is being dragged: handles step back, so that they never hide the light. */
  fades: boolean;
}

export function drawStageMarks(overlay: Overlay, studio: Studio, options: MarkOptions): void {
  const { fades } = options;
  const { scene } = studio;
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
    studio.pickedOf('lights').length > 0;
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
  const [lightId] = studio.pickedOf('lights');
  const light = studio.scenes.state.selection.length === 1 ? scene.lights[lightId] : undefined;
  const place = light && fixturePlace(scene, light, seconds);
  if (light && place) {
    const { clockHours } = studio.live.getState();
    const found = reach.of(scene, lightId, clockHours, seconds);
    if (found) drawReached(overlay, light, place, found);
    drawFigure(overlay, scene, light, seconds);
    if (!light.shadows && !LIGHT_SCREENS[light.kind].isAmbient)
      overlay.words(...place, 'throws no shadows', 12, -12, overlay.colours.warning);
  }
  for (const handle of handlesOf(scene, studio.scenes.state.selection, { nearPx, seconds })) {
    if (isOfLight(handle)) {
      if (light && place) drawLightHandle(overlay, light, place, handle);
    } else if (handle.kind === 'turn') overlay.ring(handle.x, handle.y);
    else if (handle.kind !== 'gate') overlay.pointMark(handle.x, handle.y, true);
  }
}
