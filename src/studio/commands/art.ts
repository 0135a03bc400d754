/** Actions of the Art bench. */
import { framesIn } from '@/core/art/frames';
import { ART_TOOL_WORDS, ART_TOOLS, ART_VIEWS, ART_VIEW_WORDS } from '../store/art-bench';
import { deleteFrame } from '../store/art-edits';
import type { Command } from './command';
import type { Studio } from '../store/studio';

const onArt = (studio: Studio) => studio.desk.getState().bench === 'art';

function stepFrame(studio: Studio, by: 1 | -1): void {
  const artwork = studio.scene.artworks[studio.desk.getState().artworkId ?? ''];
  if (!artwork) return;
  const count = framesIn(artwork).length;
  studio.artBench.setState(({ frame }) => ({ frame: (frame + by + count) % count, playing: false }));
}

export const ART_COMMANDS: Command[] = [
  ...ART_TOOLS.map((tool): Command => ({
    id: `art-${tool}`,
    words: `${ART_TOOL_WORDS[tool].words} (Art)`,
    keys: [ART_TOOL_WORDS[tool].key],
    isHere: onArt,
    run: (studio) =>
      studio.artBench.setState(
        tool === 'frame' ? { tool, view: 'picture', tried: null } : { tool, tried: null },
      ),
  })),
  ...ART_VIEWS.map((view, i): Command => ({
    id: `art-view-${view}`,
    words: `View: ${ART_VIEW_WORDS[view].toLowerCase()} (Art)`,
    keys: [String(i + 1)],
    isHere: onArt,
    run: (studio) => studio.artBench.setState({ view }),
  })),
  { id: 'art-next-frame', words: 'Next frame', keys: ['.'], isHere: onArt, run: (s) => stepFrame(s, 1) },
  { id: 'art-last-frame', words: 'Frame before', keys: [','], isHere: onArt, run: (s) => stepFrame(s, -1) },
  {
    id: 'art-play',
    words: 'Play the frames, or stop them',
    keys: ['l'],
    isHere: onArt,
    run: (studio) =>
      studio.artBench.setState(({ playing, view }) => ({
        view: 'figure',
        playing: view === 'figure' ? !playing : true,
      })),
  },
  {
    id: 'art-delete-frame',
    words: 'Delete the chosen frame',
    keys: ['delete', 'backspace'],
    isHere: onArt,
    whyNot: (studio) =>
      (studio.scene.artworks[studio.desk.getState().artworkId ?? '']?.frames.length ?? 0) > 0
        ? null
        : 'It has no frames: the whole picture shows.',
    run: (studio) => {
      const { frame } = studio.artBench.getState();
      void deleteFrame(studio, studio.desk.getState().artworkId!, frame);
    },
  },
];
