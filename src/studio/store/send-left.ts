/** Sends what earlier visits left in the browser, before the scene is opened: what did arrive is answered and not applied twice. */
import type { Known } from '@/core/scene/changes';
import type { Unsent } from './journal';
import { ownPerson } from './person';
import { sendBatch } from './server-api';
import type { AsideEdit, Batch } from './sync';

/** @returns what is still not sent, and what cannot be saved */
export async function sendLeft(
  sceneId: string,
  left: readonly Unsent[],
): Promise<{ unsent: Batch[]; aside: AsideEdit[] }> {
  const unsent: Batch[] = [];
  const aside: AsideEdit[] = left.flatMap((one) => one.aside);
  for (const { known, batches } of left)
    for (const batch of batches) {
      // What follows on something that waits, waits too.
      if (unsent.length > 0) unsent.push(batch);
      else await sendOne(sceneId, batch, known, { unsent, aside });
    }
  return { unsent, aside };
}

async function sendOne(
  sceneId: string,
  batch: Batch,
  known: Known,
  kept: { unsent: Batch[]; aside: AsideEdit[] },
): Promise<void> {
  const result = await sendBatch(sceneId, { ...batch, author: ownPerson() }, known);
  switch (result.kind) {
    case 'kept':
      return;
    case 'away':
    case 'ahead':
      kept.unsent.push(batch);
      return;
    case 'refused': {
      const reasons = new Map(result.refused.map(({ edit, why }) => [edit, why]));
      const isRefused = (place: number) => reasons.size === 0 || reasons.has(place);
      batch.edits.forEach(
        (edit, place) => isRefused(place) && kept.aside.push({ edit, why: reasons.get(place) ?? result.why }),
      );
      const edits = batch.edits.filter((_, place) => !isRefused(place));
      if (edits.length > 0)
        await sendOne(sceneId, { ...batch, transactionId: crypto.randomUUID(), edits }, known, kept);
    }
  }
}
