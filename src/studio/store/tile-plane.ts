/** Planes that are painted with tiles: made so, filled from a file, and made plain again. */
import { framesIn } from '@/core/art/frames';
import { readTileCsv } from '@/core/art/tile-csv';
import { cellEdits } from '@/core/art/tile-edits';
import { cellOf, chunkIndex } from '@/core/art/tiles';
import { wordsOf } from '@/core/faults';
import { LIMITS } from '@/core/limits';
import { change, remove } from '@/core/scene/edits';
import type { Studio } from './studio';
import { newTileGrid } from '@/core/scene/records/plane';

/** Gives a plane a tile grid, its cells as large as the sheet's first tile. */
export function giveTiles(studio: Studio, planeId: string, artworkId: string): void {
  const [{ widthPx, heightPx }] = framesIn(studio.scene.artworks[artworkId]);
  const tiles = newTileGrid({ artworkId, cellWidthPx: widthPx, cellHeightPx: heightPx });
  studio.set('Paint tiles on a plane', 'planes', planeId, { tiles });
  studio.desk.setState({ planeId, tool: 'paint', tile: cellOf({ frame: 0, orientation: 0 }) });
}

export function takeTilesAway(studio: Studio, planeId: string): void {
  const { scene } = studio;
  const chunks = [...(chunkIndex(scene.chunks).get(planeId)?.values() ?? [])];
  const plain = change(scene, 'planes', planeId, { tiles: null });
  studio.scenes.transact({
    label: 'Take all tiles away',
    edits: [...chunks.map(([id]) => remove(scene, 'chunks', id)), ...(plain ? [plain] : [])],
  });
  studio.desk.setState({ tool: 'pick' });
}

/** Lays the tiles of a CSV file from the grid's corner on. @param firstNumber the number of the first tile */
export async function readTiles(
  studio: Studio,
  planeId: string,
  file: File,
  firstNumber: 0 | 1,
): Promise<void> {
  try {
    if (file.size > LIMITS.textFileBytes)
      throw new Error(`The file is larger than ${LIMITS.textFileBytes / 1024 / 1024} MB.`);
    const text = await file.text();
    const { tiles } = studio.scene.planes[planeId] ?? {};
    if (!tiles) throw new Error('This plane has no tiles any more.');
    const cells = readTileCsv(text, firstNumber, framesIn(studio.scene.artworks[tiles.artworkId]).length);
    studio.scenes.transact({ label: 'Read tiles', edits: cellEdits(studio.scene, planeId, cells) });
    studio.say(`${cells.length} tiles read from ${file.name}.`);
  } catch (thrown) {
    studio.say(`${file.name}: ${wordsOf(thrown)}`);
  }
}
