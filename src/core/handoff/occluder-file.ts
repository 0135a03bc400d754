/** Everything that stops light in a scene, as one file of numbers. */
import { MomentMaker } from '../moment/moment-maker';
import type { EdgePiece } from '../moment/moment';
import type { FoundOccluders } from '../moment/occluders';
import { NOTHING_PASSING } from '../moment/passing';
import type { SceneDocument } from '../scene/document';

/** What stops light at the first second, planes at their own places (without parallax), hidden planes too. */
export function occludersAtRest(scene: SceneDocument): FoundOccluders {
  const planes = Object.fromEntries(
    Object.entries(scene.planes).map(([id, plane]) => [id, { ...plane, parallax: 1, hidden: false }]),
  );
  return new MomentMaker().occluders({ ...scene, planes }, 0, NOTHING_PASSING);
}

/** Outlines in scene px, each edge [ax, ay, bx, by]. */
export function occluderFile(scene: SceneDocument): object {
  const found = occludersAtRest(scene);
  const occluders = found.occluders.map(({ closed, inner, transmits, staturePx, pieces }, i) => ({
    ...found.sources[i],
    kind: closed ? 'closed' : 'line',
    ...{ transmits, staturePx, edges: edgeList(pieces), innerEdges: edgeList(inner) },
  }));
  return {
    format: 'oilwick-occluders',
    version: 3,
    interior: 'left of each edge as seen, y down',
    occluders,
  };
}

function edgeList(pieces: readonly EdgePiece[]): number[][] {
  return pieces.flatMap(({ edges }) =>
    Array.from({ length: edges.length / 4 }, (_, k) => [...edges.subarray(4 * k, 4 * k + 4)]),
  );
}
