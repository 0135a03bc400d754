import { changedLook } from '../named';
import { mendBy, type SnagKind } from './kind';

/** A byte of the picture is 1 / 255: what adds less than half of that to white art is not seen. */
const LEAST = 0.5 / 255;

/** A light that adds next to nothing. */
export const faintLight: SnagKind = {
  isFault: false,
  find({ scene, rest }) {
    return rest.lights.flatMap((one) => {
      const { light, look, record, words } = one;
      if (light.ambient !== 'no' || Math.max(...light.rgb) >= LEAST || look.follows !== 'nothing') return [];
      return [
        {
          records: [record],
          words: `${words} is too faint to be seen: even white art gains less than half a step of a byte.`,
          mends: mendBy('Level 1', changedLook(scene, one, { level: 1 })),
        },
      ];
    });
  },
};
