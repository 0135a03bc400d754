import type { VersionStep } from './step';

/** Version 3 has artworks of many frames, brackets, and planes that answer for their sprites. */
export const toVersion3: VersionStep = {
  added: [],
  records: {
    planes: (plane) => ({ answer: 'shaded', ...plane }),
    sprites: (sprite) => ({ opacity: 1, frame: 0, playing: true, ...sprite }),
    artworks: (artwork) => ({
      frames: [],
      rateHz: 8,
      loop: 'round',
      foot: [],
      brackets: [],
      answer: null,
      takesShadows: true,
      tags: [],
      binned: false,
      ...artwork,
    }),
  },
};
