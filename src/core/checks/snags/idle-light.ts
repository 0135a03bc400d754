import { HOUSE_CIRCUIT } from '../../scene/records/circuit';
import type { SceneDocument } from '../../scene/document';
import { changedFixture } from '../named';
import type { AtRest, BurningLight, ShownSprite } from './ground';
import { mendBy, type Mend, type SnagKind } from './kind';

/** A light that lights nothing: no circuit, no plane within its span, nothing in its reach, or only what is self-lit. */
export const idleLight: SnagKind = {
  isFault: false,
  find({ scene, rest }) {
    if (rest.sprites.length === 0) return [];
    return rest.lights.flatMap((one) => {
      const { light, record, words } = one;
      // What hangs in the air, or takes the ambient light's place, is seen without a sprite in its reach.
      if (light.air > 0 || light.ambient !== 'no') return [];
      const why = whyIdle(scene, rest, one);
      return why
        ? [{ records: [record], words: `${words} lights nothing: ${why.words}`, mends: why.mends }]
        : [];
    });
  },
};

function whyIdle(
  scene: SceneDocument,
  rest: AtRest,
  one: BurningLight,
): { words: string; mends: Mend[] } | null {
  const { light } = one;
  const isLit = ({ plane, layer }: ShownSprite) =>
    plane >= light.spanFar && plane <= light.spanNear && (light.feeds & layer.listens) !== 0;
  const near = rest.spritesNear(light.box).filter(isLit);
  if (near.some(({ sprite }) => !sprite.selfLit)) return null;
  const { sprites } = rest;
  const listening = sprites.filter(({ layer }) => (light.feeds & layer.listens) !== 0);
  if (listening.length === 0) {
    const mends = scene.circuits[HOUSE_CIRCUIT]
      ? mendBy('Feed the house circuit', changedFixture(scene, one, { circuitIds: [HOUSE_CIRCUIT] }))
      : [];
    return { words: 'no sprite listens to a circuit that it feeds.', mends };
  }
  const spanned = listening.filter(({ plane }) => plane >= light.spanFar && plane <= light.spanNear);
  if (spanned.length === 0)
    return {
      words: 'there is no sprite on the planes of its span.',
      mends: mendBy('Light all planes', changedFixture(scene, one, { spanFarId: null, spanNearId: null })),
    };
  return near.length === 0
    ? { words: 'no sprite stands in its reach.', mends: [] }
    : { words: 'all that stands in its reach is self-lit.', mends: [] };
}
