/** Actions of the Relief bench. */
import type { Command } from './command';
import { RELIEF_TOOL_WORDS, RELIEF_TOOLS, RELIEF_VIEWS, VIEW_WORDS } from '../store/relief-bench';
import type { Studio } from '../store/studio';

const onRelief = (studio: Studio) => studio.desk.getState().bench === 'relief';

function step(studio: Studio, by: 1 | -1): void {
  const ids = Object.entries(studio.scene.artworks)
    .sort(([, a], [, b]) => a.name.localeCompare(b.name))
    .map(([id]) => id);
  const at = ids.indexOf(studio.desk.getState().artworkId ?? ids[0]);
  const next = ids[Math.min(ids.length - 1, Math.max(0, at + by))];
  if (next) studio.desk.setState({ artworkId: next });
}

function brushBy(studio: Studio, by: number): void {
  studio.reliefBench.setState(({ sizePx }) => ({
    sizePx: Math.min(
      512,
      Math.max(
        1,
        Math.round(by > 0 ? Math.max(sizePx + 1, sizePx * 1.2) : Math.min(sizePx - 1, sizePx / 1.2)),
      ),
    ),
  }));
}

export const RELIEF_COMMANDS: Command[] = [
  ...RELIEF_TOOLS.map((tool): Command => ({
    id: `relief-${tool}`,
    words: `${RELIEF_TOOL_WORDS[tool].words} (Relief)`,
    keys: [RELIEF_TOOL_WORDS[tool].key],
    isHere: onRelief,
    run: (studio) => studio.reliefBench.setState({ tool }),
  })),
  ...RELIEF_VIEWS.map((view, i): Command => ({
    id: `relief-view-${view}`,
    words: `View: ${VIEW_WORDS[view].toLowerCase()}`,
    keys: [String(i + 1)],
    isHere: onRelief,
    run: (studio) => studio.reliefBench.setState({ view }),
  })),
  {
    id: 'relief-wipe',
    words: 'Wipe against before the last change, without relief, or none',
    keys: ['v'],
    isHere: onRelief,
    run: (studio) =>
      studio.reliefBench.setState(({ wipe, view }) => ({
        wipe:
          wipe === null ? { view, side: 'before' } : wipe.side === 'before' ? { view, side: 'none' } : null,
      })),
  },
  {
    id: 'relief-parts',
    words: 'Overlay of the parts',
    keys: ['p'],
    isHere: onRelief,
    run: (studio) => studio.reliefBench.setState(({ showParts }) => ({ showParts: !showParts })),
  },
  {
    id: 'relief-circle',
    words: 'Hand lamp in a circle, or with the pointer',
    keys: ['o'],
    isHere: onRelief,
    run: (studio) =>
      studio.reliefBench.setState(({ lampWay }) => ({ lampWay: lampWay === 'circle' ? 'follow' : 'circle' })),
  },
  {
    id: 'relief-second',
    words: 'Second lamp',
    keys: ['k'],
    isHere: onRelief,
    run: (studio) => studio.reliefBench.setState(({ secondLamp }) => ({ secondLamp: !secondLamp })),
  },
  { id: 'relief-next', words: 'Next artwork', keys: ['arrowdown'], isHere: onRelief, run: (s) => step(s, 1) },
  {
    id: 'relief-last',
    words: 'Artwork before',
    keys: ['arrowup'],
    isHere: onRelief,
    run: (s) => step(s, -1),
  },
  { id: 'relief-larger', words: 'Larger brush', keys: ['.'], isHere: onRelief, run: (s) => brushBy(s, 1) },
  { id: 'relief-smaller', words: 'Smaller brush', keys: [','], isHere: onRelief, run: (s) => brushBy(s, -1) },
  {
    id: 'relief-pick-all',
    words: 'Pick all artworks',
    keys: ['ctrl+a'],
    isHere: onRelief,
    run: (s) => s.reliefBench.setState({ picked: new Set(Object.keys(s.scene.artworks)) }),
  },
];
