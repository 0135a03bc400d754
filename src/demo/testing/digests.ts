/** Digests of Moments at many hours and seconds, to be compared from machine to machine. */
import { gateView, momentAt } from '@/core/moment/moment-at';
import { momentDigest } from '@/core/moment/moment-json';
import { NOTHING_PASSING } from '@/core/moment/passing';
import type { SceneDocument } from '@/core/scene/document';

/** An hour and a second each, spread over the day and over the loops of the wicks. */
export const DIGEST_TIMES: readonly (readonly [clockHours: number, seconds: number])[] = Array.from(
  { length: 100 },
  (_, i) => [(i * 6.18) % 24, (i * 37) / 16] as const,
);

export function digestsOf(scene: SceneDocument): string[] {
  return DIGEST_TIMES.map(([clockHours, seconds]) =>
    momentDigest(momentAt(scene, clockHours, seconds, NOTHING_PASSING, gateView(scene))),
  );
}
