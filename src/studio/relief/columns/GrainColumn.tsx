'use client';
import { useState } from 'react';
import { OCTAVES_PX, type Recipe } from '@/core/relief/recipe';
import { Column } from '../../controls/Column';
import { Fader, OCTAVE_TRAVEL } from '../../desk/Fader';
import { RecipeValue, type RecipeControls } from './recipe-controls';

const withGrain = (from: Recipe, fields: Partial<Recipe['grain']>): Recipe => ({
  ...from,
  grain: { ...from.grain, ...fields },
});

/** Fine shape from tone. */
export function GrainColumn({ controls, isBorrowed }: { controls: RecipeControls; isBorrowed: boolean }) {
  const { grain } = controls.recipe;
  return (
    <Column title="Grain" aside="px">
      <OctaveFaders controls={controls} />
      <RecipeValue
        label="Height"
        value={grain.heightPx}
        low={-16}
        high={16}
        step={0.1}
        digits={1}
        unit="px"
        initial={1}
        controls={controls}
        set={(from, heightPx) => withGrain(from, { heightPx })}
      />
      <RecipeValue
        label="Denoise"
        value={grain.smoothPx}
        low={0}
        high={8}
        step={0.1}
        digits={1}
        unit="px"
        initial={1}
        controls={controls}
        set={(from, smoothPx) => withGrain(from, { smoothPx })}
      />
      <RecipeValue
        label="Outline guard"
        value={grain.outlineGuard}
        low={0}
        high={1}
        step={0.05}
        initial={0.7}
        controls={controls}
        set={(from, outlineGuard) => withGrain(from, { outlineGuard })}
      />
      {isBorrowed && (
        <RecipeValue
          label="Share"
          value={grain.share}
          low={0}
          high={1}
          step={0.05}
          initial={1}
          controls={controls}
          set={(from, share) => withGrain(from, { share })}
        />
      )}
    </Column>
  );
}

/** A small fader for each wavelength; below the middle light is deep. */
function OctaveFaders({ controls }: { controls: RecipeControls }) {
  const { recipe, preview, keep, cancel } = controls;
  const { octaves } = recipe.grain;
  const [live, setLive] = useState<number[] | null>(null);
  const shown = live ?? octaves;
  return (
    <div className="mb-1 flex h-[74px] justify-between px-1">
      {OCTAVES_PX.map((wavelength, i) => (
        <div key={wavelength} className="flex w-[28px] flex-col items-center">
          <div className="flex min-h-0 flex-1 pt-1">
            <Fader
              label={`Grain of ${wavelength} px`}
              value={shown[i]}
              travel={OCTAVE_TRAVEL}
              onPreview={(value) => {
                setLive(octaves.with(i, value));
                preview(withGrain(recipe, { octaves: octaves.with(i, value) }));
              }}
              onCommit={(value) => {
                setLive(null);
                keep(withGrain(recipe, { octaves: octaves.with(i, value) }), 'Grain');
              }}
              onCancel={() => {
                setLive(null);
                cancel();
              }}
            />
          </div>
          <span className="figure mt-1 text-ash">{wavelength}</span>
        </div>
      ))}
    </div>
  );
}
