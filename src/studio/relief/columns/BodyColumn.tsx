'use client';
import { BODY_KINDS, PROFILES, REGIONS, type Recipe } from '@/core/relief/recipe';
import { Column } from '../../controls/Column';
import { Choice, Switch } from '../../controls/small';
import { RecipeValue, worded, type RecipeControls } from './recipe-controls';

const KIND_WORDS = { none: 'None', bevel: 'Bevel', inflate: 'Inflate' } as const;
const PROFILE_WORDS = { round: 'Round', chamfer: 'Chamfer', cove: 'Cove', step: 'Step' } as const;
const REGION_WORDS = { silhouette: 'The whole', outlines: 'Outlines', colours: 'Colours' } as const;

/** Shape without looking at tone. */
export function BodyColumn({
  controls,
  isParted,
  showParts,
  onShowParts,
}: {
  controls: RecipeControls;
  /** Parts were joined or split by hand. */
  isParted: boolean;
  showParts: boolean;
  onShowParts(on: boolean): void;
}) {
  const { recipe, keep } = controls;
  const { body } = recipe;
  const withBody = (from: Recipe, fields: Partial<Recipe['body']>): Recipe => ({
    ...from,
    body: { ...from.body, ...fields },
  });
  return (
    <Column title="Body">
      <Choice
        label="Shape"
        value={body.kind}
        options={worded(BODY_KINDS, KIND_WORDS)}
        onChange={(kind) => keep(withBody(recipe, { kind }), 'Body')}
      />
      {body.kind === 'bevel' && (
        <>
          <Choice
            label="Profile"
            value={body.profile}
            options={worded(PROFILES, PROFILE_WORDS)}
            onChange={(profile) => keep(withBody(recipe, { profile }), 'Profile')}
          />
          <RecipeValue
            label="Width"
            value={body.widthPx}
            low={0.5}
            high={128}
            step={0.5}
            digits={1}
            unit="px"
            logarithmic
            controls={controls}
            set={(from, widthPx) => withBody(from, { widthPx })}
          />
          <RecipeValue
            label="Height"
            value={body.heightPx}
            low={-32}
            high={32}
            step={0.1}
            digits={1}
            unit="px"
            controls={controls}
            set={(from, heightPx) => withBody(from, { heightPx })}
          />
        </>
      )}
      {body.kind === 'inflate' && (
        <RecipeValue
          label="Fullness"
          value={body.fullness}
          low={-1}
          high={2}
          step={0.05}
          initial={1}
          controls={controls}
          set={(from, fullness) => withBody(from, { fullness })}
        />
      )}
      {body.kind !== 'none' && (
        <>
          <Choice
            label="Parts by"
            value={body.regions}
            options={worded(REGIONS, REGION_WORDS)}
            onChange={(regions) => keep(withBody(recipe, { regions }), 'Parts')}
          />
          {(body.regions !== 'silhouette' || isParted) && (
            <RecipeValue
              label="Parts"
              value={body.partShare}
              low={0}
              high={1}
              step={0.05}
              initial={0.5}
              controls={controls}
              set={(from, partShare) => withBody(from, { partShare })}
            />
          )}
          <Switch label="Overlay" on={showParts} onChange={onShowParts} words={['shown', 'hidden']} />
        </>
      )}
    </Column>
  );
}
