/** What can be done by one press with what just came in. */
import { gridCells } from '@/core/art/cut';
import { figureSize } from '@/core/art/frames';
import { inOrder, settingsOf } from '@/core/scene/document';
import { change, create } from '@/core/scene/edits';
import { orderBetween } from '@/core/scene/order';
import { newPlane } from '@/core/scene/records/plane';
import { cutArtwork } from './art-edits';
import type { ImportReport } from './import-pictures';
import type { Offer } from './offer';
import { freshId, type Studio } from './studio';

/** More than these are not told at once. */
const MOST_OFFERS = 4;

/** @param isFirst whether the scene had no art before: how it is drawn follows from what came in */
export function offersFor(studio: Studio, { artworkIds, looks }: ImportReport, isFirst: boolean): Offer[] {
  const offers = artworkIds.flatMap((id): Offer[] => {
    const artwork = studio.scene.artworks[id];
    const sheet = looks.get(id)?.sheet;
    if (!artwork) return [];
    if (sheet) {
      const { columns, rows } = sheet;
      const [w, h] = [artwork.widthPx / columns, artwork.heightPx / rows];
      return [
        {
          words: `${artwork.name}: ${columns} × ${rows} frames of ${w} × ${h} px?`,
          press: 'Cut into frames',
          run: () => void cutArtwork(studio, id, gridCells(artwork, sheet), sheet),
        },
      ];
    }
    const { gateWidthPx, gateHeightPx } = settingsOf(studio.scene);
    if (artwork.widthPx < gateWidthPx || artwork.heightPx < gateHeightPx) return [];
    return [
      {
        words: `${artwork.name} fills the gate.`,
        press: 'Make it a backdrop',
        run: () => makeBackdrop(studio, id),
      },
    ];
  });
  return [...(isFirst ? [kindOffer(studio)] : []), ...offers].slice(0, MOST_OFFERS);
}

function kindOffer(studio: Studio): Offer {
  const { pixelArt } = settingsOf(studio.scene);
  return {
    words: `The scene is drawn as ${pixelArt ? 'pixel art' : 'painted art'}.`,
    press: pixelArt ? 'Draw it as painted art' : 'Draw it as pixel art',
    run: () => studio.setSettings('Kind of art', { pixelArt: !pixelArt }),
  };
}

/** Draws a scene without art before as what came in: painted where any of it is. */
export function drawAsBrought(studio: Studio, { looks }: ImportReport): void {
  const pixelArt = [...looks.values()].every((look) => look.pixelArt);
  if (looks.size > 0 && settingsOf(studio.scene).pixelArt !== pixelArt)
    studio.setSettings('Kind of art', { pixelArt });
}

/** Puts the sprites of an artwork on a plane of their own behind all others, in the middle of the gate. */
function makeBackdrop(studio: Studio, artworkId: string): void {
  const { scene } = studio;
  const artwork = scene.artworks[artworkId];
  if (!artwork) return;
  const { gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(scene);
  const { widthPx, heightPx } = figureSize(artwork);
  const planeId = freshId();
  const order = orderBetween(null, inOrder(scene.planes)[0]?.[1].order ?? null);
  const x = gateX + gateWidthPx / 2 + artwork.pivotX - widthPx / 2;
  const y = gateY + gateHeightPx / 2 + artwork.pivotY - heightPx / 2;
  const sprites = Object.entries(scene.sprites).filter(([, sprite]) => sprite.artworkId === artworkId);
  studio.scenes.transact({
    label: 'Make a backdrop',
    edits: [
      create('planes', planeId, newPlane({ name: artwork.name, order })),
      ...sprites.flatMap(([id]) => change(scene, 'sprites', id, { planeId, x, y }) ?? []),
    ],
  });
}
