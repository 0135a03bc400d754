'use client';
import { PIXEL_ART, SEAMLESS, type Recipe } from '@/core/relief/recipe';
import { Column } from '../../controls/Column';
import { Choice, Switch } from '../../controls/small';
import { RecipeValue, worded, type RecipeControls } from './recipe-controls';

const SEAMLESS_WORDS = { none: 'No', x: 'Across', y: 'Down', both: 'Both ways' } as const;
const ART_WORDS = { auto: 'Detected', yes: 'Pixel art', no: 'Painted' } as const;

const withFacings = (from: Recipe, fields: Partial<Recipe['facings']>): Recipe => ({
  ...from,
  facings: { ...from.facings, ...fields },
});

/** What holds for the whole surface. */
export function SurfaceColumn({ controls }: { controls: RecipeControls }) {
  const { recipe, keep } = controls;
  const { facings } = recipe;
  return (
    <Column title="Surface">
      <RecipeValue
        label="Strength"
        value={recipe.strength}
        low={0}
        high={4}
        step={0.05}
        initial={1}
        controls={controls}
        set={(from, strength) => ({ ...from, strength })}
      />
      <RecipeValue
        label="Sanding"
        value={recipe.sandingPx}
        low={0}
        high={8}
        step={0.1}
        digits={1}
        unit="px"
        initial={0}
        controls={controls}
        set={(from, sandingPx) => ({ ...from, sandingPx })}
      />
      <Choice
        label="Seamless"
        value={recipe.seamless}
        options={worded(SEAMLESS, SEAMLESS_WORDS)}
        onChange={(seamless) => keep({ ...recipe, seamless }, 'Seamless')}
      />
      <Choice
        label="Art"
        value={recipe.pixelArt}
        options={worded(PIXEL_ART, ART_WORDS)}
        onChange={(pixelArt) => keep({ ...recipe, pixelArt }, 'Art')}
      />
      <RecipeValue
        label="Directions"
        value={facings.directions}
        low={0}
        high={32}
        digits={0}
        initial={0}
        controls={controls}
        set={(from, directions) => withFacings(from, { directions: Math.round(directions) })}
      />
      <RecipeValue
        label="Tilt steps"
        value={facings.tilts}
        low={0}
        high={12}
        digits={0}
        initial={0}
        controls={controls}
        set={(from, tilts) => withFacings(from, { tilts: Math.round(tilts) })}
      />
      {(facings.directions > 0 || facings.tilts > 0) && (
        <Switch
          label="Dither"
          on={facings.dither}
          onChange={(dither) => keep(withFacings(recipe, { dither }), 'Dither')}
        />
      )}
    </Column>
  );
}
