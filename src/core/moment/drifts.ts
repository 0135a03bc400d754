/** What drifts over the planes at an hour and a second, as renderers read it. */
import type { Rgb } from '../raster/colour';
import { hexToLinear, linearInLightSpace } from '../raster/colour';
import type { Plane } from '../scene/records/plane';
import type { SceneSettings } from '../scene/records/settings';
import { driftEdges, FINER, FINER_SHARE, windTiles } from '../weather/drift';
import { DRIFTS, type DriftName } from '../weather/drift-fields';
import type { MomentDrift } from './moment';
import type { MomentStage } from './stage';

interface PlacedDrift {
  drift: MomentDrift;
  /** @param place of the plane, 0 the farthest of `count` */
  strengthOn(plane: Plane, place: number, count: number): number;
}

type DriftSettings = {
  [F in keyof SceneSettings as F extends `cloud${infer Rest}` ? Uncapitalize<Rest> : never]: SceneSettings[F];
};

/** The fields of one drift, without its name. */
function fieldsOf(settings: SceneSettings, name: DriftName): DriftSettings {
  return Object.fromEntries(
    Object.entries(settings).flatMap(([field, value]) =>
      field.startsWith(name)
        ? [[field[name.length].toLowerCase() + field.slice(name.length + 1), value]]
        : [],
    ),
  ) as DriftSettings;
}

/**
 * @param settings as the cues leave them at this hour
 * @param ambient colour times level, which mist is lit by
 */
export function driftsAt(stage: MomentStage, settings: SceneSettings, ambient: Readonly<Rgb>): PlacedDrift[] {
  return DRIFTS.flatMap((name): PlacedDrift[] => {
    const fields = fieldsOf(settings, name);
    const { strength, farFade } = fields;
    if (strength <= 0) return [];
    const strengthOn = ({ takesDrift, overlay }: Plane, place: number, count: number) => {
      if (!takesDrift || overlay) return 0;
      const near = count < 2 ? 1 : place / (count - 1);
      return strength * (1 - farFade * (1 - near));
    };
    return [{ drift: driftOf(stage, name, fields, settings.driftLoopSeconds, ambient), strengthOn }];
  });
}

function driftOf(
  { scene, day, clockHours, seconds, space, pictureIndex }: MomentStage,
  kind: DriftName,
  { colour, cover, softness, scalePx, seed, windX, windY, uprightShare, artworkId }: DriftSettings,
  loopSeconds: number,
  ambient: Readonly<Rgb>,
): MomentDrift {
  const linear = day.colour(`${kind}Colour`, clockHours) ?? hexToLinear(colour);
  const own = linearInLightSpace(linear, space);
  const artwork = artworkId === null ? undefined : scene.artworks[artworkId];
  // A tile of one's own is as high as its picture says.
  const heightPx = artwork ? (scalePx * artwork.heightPx) / artwork.widthPx : scalePx;
  const moved = (windPx: number, tilePx: number) => windTiles(windPx, tilePx, loopSeconds, seconds);
  return {
    kind,
    picture: artwork ? pictureIndex.get(artworkId!)! : null,
    seed,
    perPx: 1 / scalePx,
    offset: [
      moved(windX, scalePx),
      moved(windY, heightPx),
      moved(windX, scalePx / FINER),
      moved(windY, heightPx / FINER),
    ],
    finerShare: artwork ? 0 : FINER_SHARE,
    ...driftEdges(cover, softness),
    colour: kind === 'mist' ? [own[0] * ambient[0], own[1] * ambient[1], own[2] * ambient[2]] : own,
    upright: uprightShare,
  };
}
