import { change } from '../../scene/edits';
import { mendBy, type SnagKind } from './kind';

/** Normals that were brought along, and of which nobody has said which way green points. */
export const doubtfulOrientation: SnagKind = {
  isFault: false,
  find({ scene }) {
    const used = new Set(Object.values(scene.sprites).map(({ artworkId }) => artworkId));
    return Object.entries(scene.reliefs).flatMap(([id, { normals }]) => {
      if (!normals || normals.orientationChosen || !scene.artworks[id] || !used.has(id)) return [];
      const said = (yUp: boolean) =>
        change(scene, 'reliefs', id, { normals: { ...normals, yUp, orientationChosen: true } });
      return [
        {
          records: [{ collection: 'artworks' as const, id }],
          words: `Nobody has said which way green points in the normals of “${scene.artworks[id].name}”: they are read as ${normals.yUp ? 'up' : 'down'}.`,
          mends: [...mendBy('Green points up', said(true)), ...mendBy('Green points down', said(false))],
        },
      ];
    });
  },
};
