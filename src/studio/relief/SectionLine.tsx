'use client';
import { useMemo } from 'react';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { usePictureTick, useScene, useStudio } from '../context';
import { rangeOf } from './relief-view';

/** The height along the row under the pointer: whether a face is a dome or a terrace. */
export function SectionLine({ artworkId, row }: { artworkId: string | null; row: number }) {
  const studio = useStudio();
  const tick = usePictureTick();
  const width = useScene((state) =>
    artworkId === null ? 0 : (state.scene.artworks[artworkId]?.widthPx ?? 0),
  );
  const height = useScene((state) =>
    artworkId === null ? 0 : (state.scene.artworks[artworkId]?.heightPx ?? 0),
  );
  const held = Math.min(Math.max(0, height - 1), Math.max(0, row));
  const { path, fill, low, high } = useMemo(() => {
    void tick;
    const heights = artworkId === null ? null : studio.pictures.heightsOf(artworkId);
    const [from, to] = rangeOf(heights);
    if (!heights || width === 0) return { path: '', fill: '', low: 0, high: 0 };
    const values = [...heights.subarray(held * width, (held + 1) * width)];
    const x = scaleLinear([0, width], [0, 1000]);
    const y = scaleLinear([from, to], [38, 4]);
    const at = (_: number, i: number) => x(i + 0.5);
    return {
      path:
        line<number>()
          .x(at)
          .y((v) => y(v))(values) ?? '',
      fill:
        area<number>()
          .x(at)
          .y0(y(0))
          .y1((v) => y(v))(values) ?? '',
      low: from,
      high: to,
    };
  }, [studio, artworkId, width, held, tick]);
  return (
    <div
      aria-label="Section"
      role="group"
      className="grid grid-cols-[104px_minmax(0,1fr)] border-t border-line bg-slate"
    >
      <div className="flex flex-col justify-center border-r border-line px-2">
        <span className="leading-[18px]">Section, row {held}</span>
        <span className="figure text-ash">
          {low.toFixed(0)} to {high.toFixed(0)} px
        </span>
      </div>
      <svg viewBox="0 0 1000 42" preserveAspectRatio="none" className="h-[42px] w-full" aria-hidden>
        <path d={fill} className="fill-brass/15" />
        <path d={path} className="fill-none stroke-brass" vectorEffect="non-scaling-stroke" />
      </svg>
    </div>
  );
}
