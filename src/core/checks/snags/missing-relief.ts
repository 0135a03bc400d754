import { boxesMeet } from './ground';
import type { SnagKind } from './kind';

/** Art without a relief under a light that asks for one, in a project that has reliefs: it was probably forgotten. */
export const missingRelief: SnagKind = {
  isFault: false,
  find({ scene, rest }) {
    if (Object.keys(scene.reliefs).length === 0) return [];
    const seen = new Set<string>();
    return rest.sprites.flatMap(({ sprite, layer, plane, record }) => {
      if (record.collection !== 'sprites' || sprite.selfLit || sprite.normal) return [];
      const { artworkId } = scene.sprites[record.id];
      if (artworkId === null || seen.has(artworkId)) return [];
      const light = rest.lights.find(
        (one) =>
          one.light.relief > 0 &&
          one.light.ambient === 'no' &&
          plane >= one.light.spanFar &&
          plane <= one.light.spanNear &&
          (one.light.feeds & layer.listens) !== 0 &&
          boxesMeet(one.light.box, sprite.box),
      );
      if (!light) return [];
      seen.add(artworkId);
      return [
        {
          records: [{ collection: 'artworks' as const, id: artworkId }, light.record],
          words: `“${scene.artworks[artworkId].name}” has no relief: ${light.words} lights it as a flat sheet.`,
          mends: [],
        },
      ];
    });
  },
};
