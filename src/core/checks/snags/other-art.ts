import { settingsOf } from '../../scene/document';
import { change } from '../../scene/edits';
import { SETTINGS_ID } from '../../scene/records/settings';
import { mendBy, type SnagKind } from './kind';

/** Painted art in a scene that is drawn as pixel art, or the other way round: it is jagged, or it is blurred. */
export const otherArt: SnagKind = {
  isFault: false,
  find({ scene }) {
    const { pixelArt } = settingsOf(scene);
    const shown = new Set(Object.values(scene.sprites).map(({ artworkId }) => artworkId));
    const others = Object.entries(scene.artworks).filter(
      ([id, artwork]) => shown.has(id) && artwork.pixelArt !== pixelArt,
    );
    if (others.length === 0) return [];
    const [[, first]] = others;
    const more = others.length > 1 ? ` and ${others.length - 1} more` : '';
    return [
      {
        records: others.map(([id]) => ({ collection: 'artworks' as const, id })),
        words: pixelArt
          ? `“${first.name}”${more} is painted, and the scene is drawn as pixel art: it is jagged.`
          : `“${first.name}”${more} is pixel art, and the scene is drawn as painted art: it is blurred.`,
        mends: mendBy(
          pixelArt ? 'Draw the scene as painted art' : 'Draw the scene as pixel art',
          change(scene, 'settings', SETTINGS_ID, { pixelArt: !pixelArt }),
        ),
      },
    ];
  },
};
