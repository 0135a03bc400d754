import { changedLook } from '../named';
import { isBounded } from './ground';
import { mendBy, type SnagKind } from './kind';

/** Flat art half way to the end of a light's reach gets the sine of how high it stands there; below this it is all but dark. */
const LEAST_SINE = 0.08;
/** A height that shows both: a quarter of the reach. */
const GOOD_SHARE = 0.25;

/** A light that lies so low over its plane that flat art gets next to nothing of it. */
export const lowLight: SnagKind = {
  isFault: false,
  find({ scene, rest }) {
    return rest.lights.flatMap((one) => {
      const { light, record, words } = one;
      if (!isBounded(one) || light.source.parallel || light.rim || light.relief < 1 || light.wrap > 0)
        return [];
      const half = (light.corePx + light.reachPx) / 2;
      const height = Math.max(1, light.source.heightPx);
      if (height / Math.sqrt(half * half + height * height) >= LEAST_SINE) return [];
      const heightPx = Math.round(light.reachPx * GOOD_SHARE);
      return [
        {
          records: [record],
          words: `${words} lies so low over its plane that flat art gets next to nothing of it.`,
          mends: mendBy(`Height ${heightPx} px`, changedLook(scene, one, { heightPx })),
        },
      ];
    });
  },
};
