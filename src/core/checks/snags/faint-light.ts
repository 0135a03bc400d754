import { change } from '../../scene/edits';
import { mendBy, type SnagKind } from './kind';

/** A byte of the picture is 1 / 255: what adds less than half of that to white art is not seen. */
const LEAST = 0.5 / 255;

/** A light that adds next to nothing. */
export const faintLight: SnagKind = {
  isFault: false,
  find({ scene, rest }) {
    return rest.lights.flatMap(({ light, look, record, words }) => {
      if (light.ambient !== 'no' || Math.max(...light.rgb) >= LEAST || look.follows !== 'nothing') return [];
      const edit = record.collection === 'lights' ? change(scene, 'lights', record.id, { level: 1 }) : null;
      return [
        {
          records: [record],
          words: `${words} is too faint to be seen: even white art gains less than half a step of a byte.`,
          mends: mendBy('Level 1', edit),
        },
      ];
    });
  },
};
