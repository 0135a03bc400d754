'use client';
import { useEffect, useRef, useState } from 'react';
import type { Recipe, Swatch } from '@/core/relief/recipe';
import { swatchesOf } from '@/core/relief/swatches';
import { wordsOf } from '@/core/faults';
import type { PaletteAnswer } from '@/workers/art-worker';
import { Column } from '../../controls/Column';
import { Key, Switch } from '../../controls/small';
import { useStudio } from '../../context';
import { Fader, type FaderTravel } from '../../desk/Fader';
import { RecipeValue, type RecipeControls } from './recipe-controls';

const TOP_PX = 8;
const HEIGHT_TRAVEL: FaderTravel = {
  low: -TOP_PX,
  high: TOP_PX,
  ticks: [0],
  step: 0.1,
  shareOf: (value) => (Math.min(TOP_PX, Math.max(-TOP_PX, value)) + TOP_PX) / (2 * TOP_PX),
  valueAt: (share) => Math.round((share * 2 - 1) * TOP_PX * 10) / 10,
};

/** The palette of an artwork, from the worker. */
export function usePalette(imageSha: string | null): PaletteAnswer | null {
  const studio = useStudio();
  const [palette, setPalette] = useState<{ sha: string; answer: PaletteAnswer } | null>(null);
  useEffect(() => {
    if (imageSha === null) return;
    let isGone = false;
    studio.workers
      .run((remote) => remote.palette(imageSha))
      .then((answer) => !isGone && setPalette({ sha: imageSha, answer }))
      .catch((thrown: unknown) => studio.say(wordsOf(thrown)));
    return () => {
      isGone = true;
    };
  }, [studio, imageSha]);
  return palette && palette.sha === imageSha ? palette.answer : null;
}

/** A height for each colour of the art, and a mute, so that text, stripes and liveries lie flat. */
export function SwatchColumn({
  controls,
  palette,
  chosen,
  onChoose,
}: {
  controls: RecipeControls;
  palette: PaletteAnswer | null;
  chosen: string | null;
  onChoose(hex: string | null): void;
}) {
  const { recipe, keep } = controls;
  const colours = palette?.colours ?? [];
  const swatches = palette ? swatchesOf({ ...palette }, recipe.swatches) : [];
  const muted = swatches.filter((swatch) => swatch?.mute).length;
  const at = colours.findIndex(({ hex }) => hex === chosen);
  return (
    <Column
      title="Swatches"
      aside={palette ? `${colours.length}${palette.isExact ? '' : ' clusters'}, ${muted} muted` : ''}
      wide
    >
      <SwatchRow controls={controls} palette={palette} swatches={swatches} chosen={at} onChoose={onChoose} />
      {at >= 0 ? (
        <>
          <RecipeValue
            label="Height"
            value={swatches[at]?.heightPx ?? 0}
            low={-TOP_PX}
            high={TOP_PX}
            step={0.1}
            digits={1}
            unit="px"
            initial={0}
            controls={controls}
            set={(from, heightPx) => withSwatch(from, swatches[at], colours[at].hex, { heightPx })}
          />
          <RecipeValue
            label="Glow"
            value={swatches[at]?.glow ?? 0}
            low={0}
            high={1}
            step={0.05}
            initial={0}
            controls={controls}
            set={(from, glow) => withSwatch(from, swatches[at], colours[at].hex, { glow })}
          />
          <Switch
            label="Tone"
            on={!swatches[at]?.mute}
            words={['gives grain', 'muted']}
            onChange={(on) =>
              keep(withSwatch(recipe, swatches[at], colours[at].hex, { mute: !on }), on ? 'Unmute' : 'Mute')
            }
          />
        </>
      ) : (
        <p className="text-small text-ash">Click a colour, or find one on the art with W.</p>
      )}
      {recipe.swatches.length > 0 && (
        <div className="mt-1 flex justify-end">
          <Key onClick={() => keep({ ...recipe, swatches: [] }, 'Clear the swatches')}>Clear all</Key>
        </div>
      )}
    </Column>
  );
}

function SwatchRow({
  controls,
  palette,
  swatches,
  chosen,
  onChoose,
}: {
  controls: RecipeControls;
  palette: PaletteAnswer | null;
  swatches: readonly (Swatch | null)[];
  chosen: number;
  onChoose(hex: string | null): void;
}) {
  const { recipe, preview, keep, cancel } = controls;
  const [live, setLive] = useState<{ at: number; value: number } | null>(null);
  const row = useRef<HTMLUListElement>(null);
  useEffect(() => {
    row.current?.children[chosen]?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [chosen]);
  return (
    <ul ref={row} className="mb-1 flex h-[84px] overflow-x-auto" aria-label="Palette">
      {(palette?.colours ?? []).map(({ hex, count }, i) => {
        const swatch = swatches[i];
        const set = (value: number) => withSwatch(recipe, swatch, hex, { heightPx: value });
        return (
          <li key={hex} className="flex w-[17px] shrink-0 flex-col items-center">
            <div className="flex min-h-0 flex-1">
              <Fader
                label={`Height of ${hex}`}
                slim
                value={live?.at === i ? live.value : (swatch?.heightPx ?? 0)}
                travel={HEIGHT_TRAVEL}
                onPreview={(value) => {
                  setLive({ at: i, value });
                  preview(set(value));
                }}
                onCommit={(value) => {
                  setLive(null);
                  keep(set(value), 'Swatch');
                }}
                onCancel={() => {
                  setLive(null);
                  cancel();
                }}
              />
            </div>
            <button
              type="button"
              aria-pressed={chosen === i}
              aria-label={`${hex}${swatch?.mute ? ', muted' : ''}`}
              title={`${hex}, ${count} px`}
              className="relative mt-1 h-[16px] w-[15px] shrink-0 cursor-pointer border border-soot aria-pressed:border-verdigris"
              style={{ backgroundColor: hex }}
              onClick={() => onChoose(chosen === i ? null : hex)}
            >
              {swatch?.mute && (
                <span className="absolute inset-x-0 top-[6px] h-[2px] bg-chalk mix-blend-difference" />
              )}
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** The recipe with something said of one colour; a swatch that says nothing falls away. */
export function withSwatch(
  recipe: Recipe,
  own: Swatch | null | undefined,
  hex: string,
  fields: Partial<Swatch>,
): Recipe {
  const next: Swatch = { heightPx: 0, mute: false, glow: 0, ...own, ...fields, colour: hex };
  const others = recipe.swatches.filter((swatch) => swatch !== own && swatch.colour !== hex);
  const saysNothing = next.heightPx === 0 && !next.mute && next.glow === 0;
  return { ...recipe, swatches: saysNothing ? others : [...others, next] };
}
