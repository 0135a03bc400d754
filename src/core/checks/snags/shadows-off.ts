import { changedLook } from '../named';
import { isBounded } from './ground';
import { mendBy, type SnagKind } from './kind';

/** A light that throws no shadows although something that stops light stands in its reach: the best known mistake of all. */
export const shadowsOff: SnagKind = {
  isFault: false,
  find({ scene, rest }) {
    return rest.lights.flatMap((one) => {
      const { light, look, record, words } = one;
      if (look.shadows || !isBounded(one)) return [];
      const near = rest
        .occludersNear(light.box)
        .find(({ occluder }) => occluder.plane >= light.spanFar && occluder.plane <= light.spanNear);
      if (!near) return [];
      return [
        {
          records: [record, near.record],
          words: `${words} throws no shadows, although ${near.words} stands in its reach.`,
          mends: mendBy('Turn its shadows on', changedLook(scene, one, { shadows: true })),
        },
      ];
    });
  },
};
