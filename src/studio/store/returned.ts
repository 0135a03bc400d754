/** A map that came back from a paint program: what changed in it becomes a stroke on a layer of its own. */
import { wordsOf } from '@/core/faults';
import type { Stroke } from '@/core/relief/strokes/stroke';
import { reliefJobOf } from '@/core/scene/relief-job';
import { addLayer, strokeEdits } from './relief-edits';
import { api } from './server-api';
import type { Studio } from './studio';

/** A grey file is a height map, one with colours is a normal map with green pointing up, as it went out. */
export async function keepReturned(studio: Studio, artworkId: string, file: File): Promise<void> {
  try {
    const job = reliefJobOf(studio.scene, artworkId);
    if (!job) throw new Error('There is no relief yet that it could have come from.');
    const bytes = new Uint8Array(await file.arrayBuffer());
    const { isGrey } = await studio.workers.run((remote) => remote.inspect(bytes));
    const changed = isGrey
      ? await studio.workers.live.returnedHeights(job, bytes)
      : await studio.workers.live.returnedFacings(job, bytes, true);
    const { sha256 } = await api.keepPicture(new Uint8Array(changed));
    const stroke: Stroke = {
      kind: isGrey ? 'paste-height' : 'paste-face',
      area: 'line',
      points: [],
      sizePx: 1,
      hardness: 1,
      opacity: 1,
      heightPx: 0,
      faceX: 0,
      faceY: 0,
      level: 0,
      pictureSha: sha256,
    };
    const layerId = addLayer(studio, artworkId, file.name.replace(/\.png$/i, ''));
    if (layerId === null) return;
    studio.scenes.transact({ label: 'Paste what came back', edits: strokeEdits(studio, artworkId, stroke) });
  } catch (thrown) {
    studio.say(`${file.name} was not imported: ${wordsOf(thrown)}`);
  }
}
