import type { Box } from '../../geometry/affine';
import type { MomentOccluder } from '../../moment/moment';
import { changedLook } from '../named';
import { isBounded } from './ground';
import { mendBy, type SnagKind } from './kind';

/** Whether any edge comes into a box: the walls around a room hold in their box what stands far from all of them. */
function hasEdgeIn({ pieces }: MomentOccluder, box: Box): boolean {
  return pieces.some(({ edges }) => {
    for (let i = 0; i < edges.length; i += 4) {
      const [x0, y0, x1, y1] = [edges[i], edges[i + 1], edges[i + 2], edges[i + 3]];
      const own = {
        ...{ left: Math.min(x0, x1), right: Math.max(x0, x1) },
        ...{ top: Math.min(y0, y1), bottom: Math.max(y0, y1) },
      };
      if (own.left <= box.right && own.right >= box.left && own.top <= box.bottom && own.bottom >= box.top)
        return true;
    }
    return false;
  });
}

/** A light that throws no shadows although something that stops light stands in its reach: the best known mistake of all. */
export const shadowsOff: SnagKind = {
  isFault: false,
  find({ scene, rest }) {
    return rest.lights.flatMap((one) => {
      const { light, look, record, words } = one;
      if (look.shadows || !isBounded(one)) return [];
      const near = rest
        .occludersNear(light.box)
        .find(
          ({ occluder }) =>
            occluder.plane >= light.spanFar &&
            occluder.plane <= light.spanNear &&
            hasEdgeIn(occluder, light.box),
        );
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
