import { boxesMeet, isBounded } from './ground';
import { remove } from '../../scene/edits';
import type { SnagKind } from './kind';

/** An occluder that no light with shadows reaches: it does nothing. */
export const idleOccluder: SnagKind = {
  isFault: false,
  find({ scene, rest }) {
    const throwing = rest.lights.filter(({ look, light }) => look.shadows && light.ambient === 'no');
    if (throwing.length === 0) return [];
    return rest.occluders.flatMap(({ occluder, record, words }, i) => {
      // Those that artworks and tiles bring along do not stand there for a light.
      if (record.collection !== 'occluders') return [];
      const isReached = throwing.some(
        (one) =>
          one.light.occluders.includes(i) || (!isBounded(one) && boxesMeet(occluder.box, one.light.box)),
      );
      if (isReached) return [];
      return [
        {
          records: [record],
          words: `${words} stops no light: none that throws shadows reaches it.`,
          mends: [{ words: 'Delete it', edits: [remove(scene, 'occluders', record.id)] }],
        },
      ];
    });
  },
};
