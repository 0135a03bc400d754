import { change } from '../../scene/edits';
import type { RecordName } from '../../scene/references';
import { boxesMeet, type AtRest, type ShownSprite } from './ground';
import { mendBy, type FoundSnag, type SnagKind } from './kind';

/** A sprite that neither a light nor the ambient light reaches: it is black, or not seen at all. */
export const unlitSprite: SnagKind = {
  isFault: false,
  find({ scene, rest }) {
    const seen = new Set<string>();
    return rest.sprites.flatMap((one): FoundSnag[] => {
      const { layer, sprite, plane, record } = one;
      if (record.collection !== 'sprites' || seen.has(record.id) || sprite.selfLit) return [];
      seen.add(record.id);
      const { circuitIds, name } = scene.sprites[record.id];
      const isFed = rest.lights.some(({ light }) => (light.feeds & layer.listens) !== 0);
      if (!isFed && rest.lights.length > 0 && layer.seenGain === null && !isAmbient(rest)) {
        const edit = circuitIds === null ? null : change(scene, 'sprites', record.id, { circuitIds: null });
        return [
          snag(
            record,
            `“${name}” listens to no circuit that a light feeds.`,
            mendBy('Listen as its plane does', edit),
          ),
        ];
      }
      if (isAmbient(rest) && layer.seenGain === null) return [];
      return reaches(rest, one, plane)
        ? []
        : [
            snag(
              record,
              `No light reaches “${name}”${isAmbient(rest) ? ', which is seen only where light falls' : ', nor does the ambient light'}.`,
              [],
            ),
          ];
    });
  },
};

const snag = (record: RecordName, words: string, mends: FoundSnag['mends']): FoundSnag => ({
  ...{ records: [record], words, mends },
});

/** Whether the scene's own ambient light, as it opens, gives anything. */
function isAmbient({ moment }: AtRest): boolean {
  return moment.ambient.some((v) => v > 0);
}

function reaches({ lights }: AtRest, { sprite, layer }: ShownSprite, plane: number): boolean {
  return lights.some(
    ({ light }) =>
      plane >= light.spanFar &&
      plane <= light.spanNear &&
      (light.feeds & layer.listens) !== 0 &&
      !light.rim &&
      light.blend !== 'subtract' &&
      boxesMeet(sprite.box, light.box),
  );
}
