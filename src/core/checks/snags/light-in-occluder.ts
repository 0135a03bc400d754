import { isInside } from '../../geometry/outline';
import { changedLook } from '../named';
import { mendBy, type SnagKind } from './kind';

/** A light within a closed occluder that stops it: it lights the inside and nothing beyond. */
export const lightInOccluder: SnagKind = {
  isFault: false,
  find({ scene, rest }) {
    return rest.lights.flatMap((one) => {
      const { light, look, record, words } = one;
      if (!look.shadows || light.source.parallel || light.ambient !== 'no') return [];
      const { x, y } = light.source;
      const around = light.occluders
        .map((i) => rest.occluders[i])
        .find(
          ({ occluder }) =>
            occluder.closed &&
            occluder.staturePx === null &&
            occluder.pieces.reduce((inside, { edges }) => inside !== isInside(edges, x, y), false),
        );
      if (!around) return [];
      return [
        {
          records: [record, around.record],
          words: `${words} stands within ${around.words}, and lights its inside alone.`,
          mends: mendBy('Turn its shadows off', changedLook(scene, one, { shadows: false })),
        },
      ];
    });
  },
};
