/** Circuits as bits: a light reaches a sprite where a bit of what it feeds is one of what the sprite listens to. */
import { inOrder, type SceneDocument } from '../scene/document';

const known = new WeakMap<SceneDocument['circuits'], Map<string, number>>();

function bits(circuits: SceneDocument['circuits']): Map<string, number> {
  let map = known.get(circuits);
  if (!map) {
    map = new Map(inOrder(circuits).map(([id], i) => [id, 1 << i]));
    known.set(circuits, map);
  }
  return map;
}

export function circuitMask(scene: Pick<SceneDocument, 'circuits'>, ids: readonly string[]): number {
  const map = bits(scene.circuits);
  return ids.reduce((mask, id) => mask | (map.get(id) ?? 0), 0);
}
