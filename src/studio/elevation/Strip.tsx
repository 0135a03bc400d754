'use client';
/** What stands on one plane, from the side: lights at their heights, occluders as posts. Each is dragged up and down. */
import { changes } from '@/core/scene/edits';
import { useScene, useStudio } from '../context';
import { lightEdits } from '../lights/picked-light';
import type { LightMark, PlaneMarks, Post } from './marks-of';
import type { Ruler } from './ruler';
import { useHeightDrag } from './use-height-drag';

/** A post is pulled this far above the strip to throw endless shadows. */
const ENDLESS_SHARE = 1.15;
const percent = (share: number) => `${(share * 100).toFixed(2)}%`;

export function Strip({ marks, ruler }: { marks: PlaneMarks; ruler: Ruler }) {
  const pickedIds = useScene((state) => state.selection.map(({ id }) => id));
  return (
    <div data-strip className="pointer-events-none absolute inset-y-0 right-1 left-1">
      {ruler.ticks.map((tick) => (
        <span
          key={tick}
          aria-hidden
          className="absolute inset-x-0 border-t border-line"
          style={{ bottom: percent(ruler.shareOf(tick)) }}
        />
      ))}
      {marks.posts.map((post) => (
        <PostMark key={post.id} post={post} ruler={ruler} isPicked={pickedIds.includes(post.id)} />
      ))}
      {marks.lights.map((mark) => (
        <Dot key={mark.id} mark={mark} ruler={ruler} isPicked={pickedIds.includes(mark.id)} />
      ))}
      {marks.left > 0 && <span className="figure absolute top-0 right-0 text-ash">+{marks.left}</span>}
    </div>
  );
}

function Dot({ mark, ruler, isPicked }: { mark: LightMark; ruler: Ruler; isPicked: boolean }) {
  const studio = useStudio();
  const { name, heightPx, colour, across, locked } = mark;
  const drag = useHeightDrag('Height', ruler, heightPx, (next) =>
    locked ? [] : lightEdits(studio.scenes.kept, mark, { heightPx: next }),
  );
  return (
    <button
      type="button"
      aria-label={`${name}, ${heightPx} px above its plane`}
      title={`${name}: ${heightPx} px`}
      className={`pointer-events-auto absolute size-[9px] -translate-x-1/2 translate-y-1/2 rotate-45 touch-none border ${locked ? 'cursor-pointer' : 'cursor-ns-resize'} ${isPicked ? 'z-20 border-verdigris' : 'border-soot'}`}
      style={{ left: percent(across), bottom: percent(ruler.shareOf(heightPx)), background: colour }}
      {...drag}
      onPointerDown={(event) => {
        drag.onPointerDown(event);
        studio.pick({ collection: mark.collection, id: mark.id });
      }}
    />
  );
}

function PostMark({ post, ruler, isPicked }: { post: Post; ruler: Ruler; isPicked: boolean }) {
  const studio = useStudio();
  const { id, name, staturePx, hidden, locked, across } = post;
  const drag = useHeightDrag('Stature', ruler, staturePx ?? ruler.topPx, (next, held) => {
    if (locked) return [];
    return changes(studio.scenes.kept, 'occluders', id, {
      staturePx: next > held.heightAt(ENDLESS_SHARE) ? null : next,
    });
  });
  const words = `${name}, ${staturePx === null ? 'endless shadow' : `${staturePx} px high`}`;
  return (
    <button
      type="button"
      aria-label={`Occluder ${words}`}
      title={words}
      className={`pointer-events-auto absolute bottom-0 w-[4px] -translate-x-1/2 touch-none border-t-2 ${locked ? 'cursor-pointer' : 'cursor-ns-resize'} ${staturePx === null ? 'border-t-transparent' : 'border-t-ash'} ${isPicked ? 'z-10 bg-verdigris' : hidden ? 'border-x border-rail' : 'bg-rail hover:bg-ash'}`}
      style={{
        left: percent(across),
        height: percent(staturePx === null ? 1 : ruler.shareOf(staturePx)),
        minHeight: '5px',
      }}
      {...drag}
      onPointerDown={(event) => {
        drag.onPointerDown(event);
        studio.pick({ collection: 'occluders', id });
      }}
    />
  );
}
