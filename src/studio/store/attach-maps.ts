/** Maps that were made elsewhere are attached to their artwork, with what was found out about them. */
import { InputFault } from '@/core/faults';
import type { BroughtKind, BroughtName } from '@/core/relief/suffixes';
import type { OrientationEvidence } from '@/core/relief/orientation';
import type { Artwork } from '@/core/scene/records/artwork';
import type { Relief } from '@/core/scene/records/relief';
import { change, type Edit } from '@/core/scene/edits';
import type { Answer } from './questions';
import { reliefEdit } from './relief-edits';
import { api } from './server-api';
import type { Studio } from './studio';

export const KIND_WORDS: Record<BroughtKind, string> = {
  normals: 'normals',
  height: 'height map',
  rim: 'rim mask',
  occlusion: 'occlusion map',
  glow: 'glow mask',
};

/** Heights of an 8-bit map run from black to white over so many px; those of 16 bit are our own files'. */
const HEIGHT_RANGE_8 = { lowPx: 0, highPx: 16 };
const HEIGHT_RANGE_16 = { lowPx: -128, highPx: 128 - 1 / 256 };

type Place = { x: number; y: number };

/**
 * @param place where the map lies, as a layer of a painting
 * @param places where arts lie that came as layers
 * @returns what was attached to what, in words
 * @throws InputFault where the sizes do not fit
 */
export async function attachMap(
  studio: Studio,
  { art, kind }: BroughtName,
  file: Uint8Array<ArrayBuffer>,
  place: Place | null,
  places: ReadonlyMap<string, Place>,
): Promise<string> {
  const entry = Object.entries(studio.scene.artworks).find(([, artwork]) => artwork.name === art);
  if (!entry) throw new InputFault(`There is no artwork "${art}" to attach it to.`);
  const artPlace = places.get(art);
  const [id, { widthPx, heightPx }] = entry;
  const bytes =
    place && artPlace
      ? await studio.workers.run((remote) =>
          remote.cut(file, { left: artPlace.x - place.x, top: artPlace.y - place.y, widthPx, heightPx }),
        )
      : file;
  return attachMapTo(studio, id, kind, new Uint8Array(bytes));
}

export async function attachMapTo(
  studio: Studio,
  artworkId: string,
  kind: BroughtKind,
  bytes: Uint8Array<ArrayBuffer>,
): Promise<string> {
  const artwork = studio.scene.artworks[artworkId];
  const look = await studio.workers.run((remote) => remote.inspect(bytes));
  if (look.width !== artwork.widthPx || look.height !== artwork.heightPx) {
    throw new InputFault(
      `The ${KIND_WORDS[kind]} have ${look.width} x ${look.height} px, the art "${artwork.name}" ${artwork.widthPx} x ${artwork.heightPx}.`,
    );
  }
  const { sha256: sha } = await api.keepPicture(bytes);
  if (kind === 'glow') {
    const edit = change(studio.scene, 'artworks', artworkId, { glowSha: sha });
    transact(studio, 'Attach a glow mask', edit);
    return `${KIND_WORDS.glow} to ${artwork.name}`;
  }
  const fields: Partial<Relief> = { madeForSha: artwork.imageSha };
  let found = '';
  if (kind === 'normals') {
    const evidence = await studio.workers.run((remote) => remote.judge(sha, artwork.imageSha));
    const isDoubtful = evidence.orientation === 'doubtful';
    const answer = isDoubtful ? await askOrientation(studio, artwork, sha) : evidence.orientation;
    const isChosen = isDoubtful && (answer === 'up' || answer === 'down');
    fields.normals = {
      ...{ sha, yUp: answer !== 'down', orientationChosen: isChosen },
      ...({ use: 'facings', share: 1 } as const),
    };
    found = ` (${isChosen ? `chosen as Y ${answer}` : orientationWords(evidence)})`;
  } else if (kind === 'height')
    fields.heights = { sha, ...(look.depth === 16 ? HEIGHT_RANGE_16 : HEIGHT_RANGE_8) };
  else if (kind === 'rim') fields.rimSha = sha;
  else fields.occlusionSha = sha;
  transact(studio, `Attach ${KIND_WORDS[kind]}`, reliefEdit(studio.scene, artworkId, fields));
  return `${KIND_WORDS[kind]} to ${artwork.name}${found}`;
}

/** Longer side of the pictures that are compared. */
const COMPARED_PX = 512;

/** @returns which way a person says that the green points; "alike" without asking where both readings look the same */
export async function askOrientation(
  studio: Studio,
  { name, imageSha }: Pick<Artwork, 'name' | 'imageSha'>,
  mapSha: string,
): Promise<Answer<'orientation'> | 'alike'> {
  const { up, down, evidence, areAlike } = await studio.workers.run((remote) =>
    remote.readings(mapSha, imageSha, COMPARED_PX),
  );
  return areAlike ? 'alike' : studio.ask('orientation', { name, up, down, found: evidenceWords(evidence) });
}

function transact(studio: Studio, label: string, edit: Edit | null): void {
  if (edit) studio.scenes.transact({ label, edits: [edit] });
}

/** What is made of the evidence, and the evidence. */
function orientationWords(evidence: OrientationEvidence): string {
  const { orientation } = evidence;
  const verdict =
    orientation === 'doubtful' ? 'orientation doubtful, taken as Y up' : `judged Y ${orientation}`;
  const figures = evidenceWords(evidence);
  return figures ? `${verdict}: ${figures}` : verdict;
}

/** Which reading the figures speak for, and how clearly; empty where there are none. */
function evidenceWords({ curlRatio, outwardMean, wrongLengths, pixels }: OrientationEvidence): string {
  const evidence = [];
  if (curlRatio !== null) {
    const ratio = curlRatio >= 1 ? curlRatio : 1 / curlRatio;
    evidence.push(`curl ${ratio.toFixed(1)} times smaller for Y ${curlRatio >= 1 ? 'up' : 'down'}`);
  }
  if (outwardMean !== null)
    evidence.push(`border for Y ${outwardMean >= 0 ? 'up' : 'down'} by ${Math.abs(outwardMean).toFixed(2)}`);
  if (wrongLengths > 0) evidence.push(`${Math.round((100 * wrongLengths) / pixels)} % of lengths off`);
  return evidence.join(', ');
}
