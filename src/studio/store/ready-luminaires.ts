/** Luminaires that come with Oilwick, brought into a project when they are used first. */
import { wordsOf } from '@/core/faults';
import { create } from '@/core/scene/edits';
import { readyLuminaire, READY_LUMINAIRE_IDS, type ReadyLuminaireId } from '@/ready/all-luminaires';
import { paintingsOf, readyRecords } from '@/ready/luminaire';
import type { Paint } from '@/ready/paint';
import { api } from './server-api';
import type { Studio } from './studio';

/** Those that the project does not have yet. */
export function luminairesToCome({ scene }: Studio): ReadyLuminaireId[] {
  return READY_LUMINAIRE_IDS.filter((id) => !scene.luminaires[id]);
}

/**
 * Brings a luminaire along where it is one of those, with its pictures, as one step.
 * @returns whether the project has it then; where not, that is said
 */
export async function bringLuminaire(studio: Studio, id: string): Promise<boolean> {
  if (studio.scene.luminaires[id]) return true;
  const ready = READY_LUMINAIRE_IDS.find((one) => one === id);
  if (!ready) return false;
  const luminaire = readyLuminaire(ready);
  try {
    const files = new Map<string, string>();
    for (const { image } of paintingsOf(luminaire)) {
      const bytes = await studio.workers.run((remote) => remote.encode(image));
      const { sha256 } = await api.keepPicture(bytes as Uint8Array<ArrayBuffer>);
      files.set(contentOf(image.data), sha256);
    }
    const shaOf = ({ image }: Paint) => files.get(contentOf(image.data))!;
    const records = readyRecords(luminaire, ready, shaOf);
    // Somebody else may have brought it meanwhile.
    if (studio.scene.luminaires[id]) return true;
    studio.scenes.transact({
      label: `Bring “${luminaire.name}” to the shelf`,
      edits: [
        ...Object.entries(records.artworks)
          .filter(([artworkId]) => !studio.scene.artworks[artworkId])
          .map(([artworkId, artwork]) => create('artworks', artworkId, artwork)),
        create('luminaires', id, records.luminaire),
      ],
    });
    return true;
  } catch (thrown) {
    studio.say(`“${luminaire.name}” cannot be brought to the shelf: ${wordsOf(thrown)}`);
    return false;
  }
}

/** Paintings are drawn anew each time: the same one is known by its pixels. */
function contentOf(data: Uint8Array | Uint8ClampedArray): string {
  return `${data.length} ${data.join()}`;
}
