/** The finish of a scene at an hour: its own, with the looks that its cues or its settings name mixed in. */
import { finishNumbers, mixedFinish, NO_FINISH, type FinishNumbers } from '../finish/all-passes';
import type { TableSource } from '../finish/colour-table';
import { planeBlur } from '../finish/focus';
import type { LookFields } from '../scene/records/look';
import type { Plane } from '../scene/records/plane';
import type { SceneSettings } from '../scene/records/settings';
import type { MomentStage } from './stage';

/** @param settings as the cues leave them at this hour */
export function finishAt(stage: MomentStage, settings: SceneSettings, tables: TableSource): FinishNumbers {
  const { scene, day, clockHours, passing } = stage;
  if (passing.finish === 'none') return NO_FINISH;
  const own = finishNumbers(settings, tables);
  const isTried = passing.finish !== 'own';
  const looks: { look: LookFields; share: number }[] =
    passing.finish === 'own'
      ? day.looksAt(clockHours).flatMap(({ id, share }) => {
          const look = scene.looks[id];
          return look ? [{ look, share }] : [];
        })
      : [{ look: passing.finish, share: 1 }];
  const lookShare = isTried ? 1 : settings.lookShare;
  const parts = looks
    .map(({ look, share }) => ({
      numbers: withOwnLight(finishNumbers(look, tables), own),
      share: share * lookShare,
    }))
    .filter(({ share }) => share > 0);
  if (parts.length === 0) return own;
  const rest = 1 - parts.reduce((sum, { share }) => sum + share, 0);
  return mixedFinish(rest > 0 ? [{ numbers: own, share: rest }, ...parts] : parts);
}

/** The stops of a look come on top of the scene's, which stay as they are: so does automatic exposure. */
function withOwnLight(look: FinishNumbers, { exposure }: FinishNumbers): FinishNumbers {
  return { ...look, exposure: { ...exposure, stops: exposure.stops + look.exposure.stops } };
}

/**
 * How far each plane is blurred, scene px.
 * @param planes far to near
 */
export function planeBlurs(
  { passing, settings: { focusPlaneId } }: MomentStage,
  { blurPx }: SceneSettings,
  planes: readonly (readonly [id: string, plane: Plane])[],
): number[] {
  if (passing.unlit || passing.finish === 'none') return planes.map(() => 0);
  const focus = planes.findIndex(([id]) => id === focusPlaneId);
  return planes.map(([, plane], place) =>
    planeBlur(plane.blurPx, blurPx, focus < 0 ? null : Math.abs(place - focus)),
  );
}
