import { changedFixture } from '../named';
import { isBounded } from './ground';
import { mendBy, type SnagKind } from './kind';

/** A light whose shadows are on, and whose planes or sets have none of the occluders that stand in its reach. */
export const neverMeets: SnagKind = {
  isFault: false,
  find({ scene, rest }) {
    return rest.lights.flatMap((one) => {
      const { light, look, record, words } = one;
      if (!look.shadows || !isBounded(one) || light.occluders.length > 0) return [];
      const near = rest.occludersNear(light.box).at(0);
      if (!near) return [];
      const { collection, id } = record;
      const { stoppedBy } = scene[collection][id];
      const plane = scene.planes[near.source.planeId].name;
      const isWithin = near.occluder.plane >= light.spanFar && near.occluder.plane <= light.spanNear;
      const fields =
        stoppedBy && isWithin
          ? { stoppedBy: null }
          : stoppedBy
            ? { stoppedBy: { ...stoppedBy, planeIds: [...stoppedBy.planeIds, near.source.planeId] } }
            : {
                stoppedBy: {
                  planeIds: [...spanned(rest.names.planeIds, light), near.source.planeId],
                  setIds: [],
                },
              };
      return [
        {
          records: [record, near.record],
          words: stoppedBy
            ? `${words} is stopped by planes and sets to which ${near.words} in its reach does not belong.`
            : `${words} never meets ${near.words} in its reach: that is on the plane “${plane}”, outside its span.`,
          mends: mendBy(`Let ${near.words} stop it`, changedFixture(scene, one, fields)),
        },
      ];
    });
  },
};

function spanned(planeIds: readonly string[], { spanFar, spanNear }: { spanFar: number; spanNear: number }) {
  return planeIds.slice(spanFar, spanNear + 1);
}
