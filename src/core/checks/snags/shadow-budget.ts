import { settingsOf } from '../../scene/document';
import { applyEdits, squashed, type Edit } from '../../scene/edits';
import { SETTINGS_ID } from '../../scene/records/settings';
import { changedLook } from '../named';
import type { SnagKind } from './kind';
import type { Box } from '../../geometry/affine';

/** So many of them are named. */
const NAMED = 4;

/** More lights that throw shadows than a game can afford: those that light least of the picture would fall out. */
export const shadowBudget: SnagKind = {
  isFault: false,
  find({ scene, rest }) {
    const { shadowBudget: budget, gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(scene);
    if (budget === null) return [];
    const throwing = rest.lights.filter(({ look, light }) => look.shadows && light.ambient === 'no');
    if (throwing.length <= budget) return [];
    const gate = { left: gateX, top: gateY, right: gateX + gateWidthPx, bottom: gateY + gateHeightPx };
    const weakest = throwing
      .map((one) => ({ one, weight: one.look.level * sharedArea(one.light.box, gate) }))
      .toSorted((a, b) => a.weight - b.weight)
      .slice(0, throwing.length - budget)
      .map(({ one }) => one);
    const more = weakest.length - NAMED;
    const names = weakest.slice(0, NAMED).map(({ words }) => words);
    const edits: Edit[] = [];
    // Lights of one lamp are overrides of one record: each is counted from the one before.
    let now = scene;
    for (const one of weakest) {
      const edit = changedLook(now, one, { shadows: false });
      if (!edit) continue;
      now = applyEdits(now, [edit]);
      edits.push(edit);
    }
    return [
      {
        records: [{ collection: 'settings', id: SETTINGS_ID }, ...weakest.map(({ record }) => record)],
        words: `${throwing.length} lights throw shadows, and the limit is ${budget}. These light least of the picture: ${names.join(', ')}${more > 0 ? `, and ${more} more` : ''}.`,
        mends:
          edits.length > 0
            ? [
                {
                  words: `Turn the shadows of ${weakest.length === 1 ? 'that one' : `those ${weakest.length}`} off`,
                  edits: squashed(edits),
                },
              ]
            : [],
      },
    ];
  },
};

function sharedArea(a: Box, b: Box): number {
  const width = Math.min(a.right, b.right) - Math.max(a.left, b.left);
  const height = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
  return Math.max(0, width) * Math.max(0, height);
}
