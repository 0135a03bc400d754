import type { VersionStep } from './step';

/** Version 2 has painted, borrowed and imported reliefs, sheets, and recipes on the shelf. */
export const toVersion2: VersionStep = {
  added: ['strokes', 'recipes'],
  records: {
    artworks: (artwork) => ({ cells: null, ...artwork }),
    reliefs: (relief) => ({
      borrowedId: null,
      layers: [],
      partStrokes: [],
      normals: null,
      heights: null,
      rimSha: null,
      occlusionSha: null,
      madeForSha: null,
      ...relief,
    }),
  },
};
