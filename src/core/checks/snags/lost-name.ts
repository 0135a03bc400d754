import { change, type Edit } from '../../scene/edits';
import { danglingReferences, withoutGone, type DanglingReference } from '../../scene/references';
import type { SceneDocument } from '../../scene/document';
import type { SnagKind } from './kind';

/** A record names another one that is not there: what it says about it does nothing. */
export const lostName: SnagKind = {
  isFault: false,
  find({ scene, references }) {
    const byRecord = new Map<string, DanglingReference[]>();
    for (const lost of danglingReferences(scene, references)) {
      const key = `${lost.collection}/${lost.id}`;
      byRecord.set(key, [...(byRecord.get(key) ?? []), lost]);
    }
    return [...byRecord.values()].map((lost) => {
      const [{ collection, id }] = lost;
      const edit = without(scene, lost);
      return {
        records: [{ collection, id }],
        words: `${nameOf(scene, lost[0])} names ${lost.map(wordsOf).join(' and ')}.`,
        mends: edit ? [{ words: 'Leave it out', edits: [edit] }] : [],
      };
    });
  },
};

function nameOf(scene: SceneDocument, { collection, id }: DanglingReference): string {
  const { name } = scene[collection][id] as { name?: string };
  return `${collection}/${id}${name ? ` "${name}"` : ''}`;
}

function wordsOf({ path, to, missing }: DanglingReference): string {
  return `${to}/${missing} in ${path}, which is not there`;
}

function without(scene: SceneDocument, lost: readonly DanglingReference[]): Edit | null {
  const [{ collection, id }] = lost;
  const fields = withoutGone(collection, scene[collection][id], (to, missing) =>
    lost.some((one) => one.to === to && one.missing === missing),
  );
  return fields && change(scene, collection, id, fields);
}
