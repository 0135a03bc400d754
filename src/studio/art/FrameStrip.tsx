'use client';
import { useStore } from 'zustand';
import { framesIn, roundSeconds, secondsOf } from '@/core/art/frames';
import type { Artwork, ArtworkFrame } from '@/core/scene/records/artwork';
import { useScene, useStudio } from '../context';
import { moveFrame } from '../store/art-edits';
import { countWords } from './art-list';
import { FramePicture } from '../controls/FramePicture';

const THUMB_PX = 30;

/** The frames in their order, as a strip of film: click to choose, drag to another place. */
export function FrameStrip({ artworkId }: { artworkId: string | null }) {
  const studio = useStudio();
  const chosen = useStore(studio.artBench, (state) => state.frame);
  const artwork = useScene((state) => (artworkId === null ? undefined : state.scene.artworks[artworkId]));
  const frames = artwork ? framesIn(artwork) : [];
  return (
    <section
      aria-label="Frame strip"
      className="flex min-h-0 min-w-0 items-stretch border-t border-line bg-slate"
    >
      <div className="flex w-[208px] shrink-0 flex-col justify-center border-r border-line px-2">
        <span>{countWords(frames.length)}</span>
        <span className="figure text-ash">
          {artwork && frames.length > 1 ? `${roundSeconds(artwork).toFixed(2)} s a round` : 'stands still'}
        </span>
      </div>
      <ol className="flex min-w-0 flex-1 items-center gap-[3px] overflow-x-auto px-2">
        {artwork &&
          frames.map((frame, i) => (
            <li key={`${frame.left} ${frame.top} ${i}`}>
              <Thumb
                artwork={artwork}
                frame={frame}
                number={i}
                isChosen={i === chosen}
                onChoose={() => studio.artBench.setState({ frame: i, playing: false })}
                onDropped={(from) => {
                  if (artworkId === null) return;
                  void moveFrame(studio, artworkId, from, i);
                  studio.artBench.setState({ frame: i });
                }}
              />
            </li>
          ))}
      </ol>
    </section>
  );
}

const DRAGGED = 'application/x-oilwick-frame';

function Thumb({
  artwork,
  frame,
  number,
  isChosen,
  onChoose,
  onDropped,
}: {
  artwork: Artwork;
  frame: ArtworkFrame;
  number: number;
  isChosen: boolean;
  onChoose(): void;
  onDropped(from: number): void;
}) {
  return (
    <button
      type="button"
      draggable
      aria-pressed={isChosen}
      aria-label={`Frame ${number + 1}${frame.name ? `: ${frame.name}` : ''}`}
      title={`${frame.name || 'Frame'}, ${frame.widthPx} × ${frame.heightPx} px, ${secondsOf(artwork, frame).toFixed(3)} s`}
      className="flex h-[38px] w-[36px] shrink-0 cursor-pointer items-center justify-center border border-line bg-soot aria-pressed:border-verdigris"
      onClick={onChoose}
      onDragStart={(event) => event.dataTransfer.setData(DRAGGED, String(number))}
      onDragOver={(event) => event.dataTransfer.types.includes(DRAGGED) && event.preventDefault()}
      onDrop={(event) => {
        const from = event.dataTransfer.getData(DRAGGED);
        if (from !== '') onDropped(Number(from));
        event.stopPropagation();
      }}
    >
      <FramePicture artwork={artwork} frame={frame} widthPx={THUMB_PX} heightPx={THUMB_PX} />
    </button>
  );
}
