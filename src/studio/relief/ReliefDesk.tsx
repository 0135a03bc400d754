'use client';
import { useState } from 'react';
import { wordsOf } from '@/core/faults';
import { BODY_KINDS, OCTAVES_PX, PIXEL_ART, PROFILES, SEAMLESS, type Recipe } from '@/core/relief/recipe';
import { Choice, ColourField, Column, Key, Row } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { useScene, useStudio } from '../context';
import { Fader, OCTAVE_TRAVEL } from '../desk/Fader';
import { download } from '../store/download';
import type { HandLamp } from './relief-view';

export interface ReliefDeskProps {
  artworkId: string;
  recipe: Recipe;
  hasRelief: boolean;
  lamp: Pick<HandLamp, 'heightPx' | 'colour'>;
  onLamp(fields: Partial<HandLamp>): void;
  onPreview(recipe: Recipe): void;
  onKeep(recipe: Recipe, label: string): void;
  onCancel(): void;
}

const BODY_WORDS = { none: 'None', bevel: 'Bevel', inflate: 'Inflate' } as const;
const PROFILE_WORDS = { round: 'Round', chamfer: 'Chamfer', cove: 'Cove', step: 'Step' } as const;
const SEAMLESS_WORDS = { none: 'No', x: 'Across', y: 'Down', both: 'Both ways' } as const;
const ART_WORDS = { auto: 'By looking', yes: 'Pixel art', no: 'Painted' } as const;
const words = <T extends string>(keys: readonly T[], of: Record<T, string>) =>
  keys.map((key) => [key, of[key]] as const);

export function ReliefDesk({
  artworkId,
  recipe,
  hasRelief,
  lamp,
  onLamp,
  onPreview,
  onKeep,
  onCancel,
}: ReliefDeskProps) {
  const { body, grain } = recipe;
  const number = (
    label: string,
    value: number,
    low: number,
    high: number,
    set: (value: number) => Recipe,
    more: Partial<Parameters<typeof ValueField>[0]> = {},
  ) => (
    <ValueField
      label={label}
      value={value}
      low={low}
      high={high}
      step={0.05}
      {...more}
      onPreview={(v) => onPreview(set(v))}
      onCommit={(v) => onKeep(set(v), label)}
      onCancel={onCancel}
    />
  );
  const withBody = (fields: Partial<Recipe['body']>): Recipe => ({ ...recipe, body: { ...body, ...fields } });
  return (
    <div className="flex min-h-0 gap-5 overflow-x-auto border-t border-line bg-slate px-3 pt-2">
      <Column title="Body">
        <Choice
          label="Shape"
          value={body.kind}
          options={words(BODY_KINDS, BODY_WORDS)}
          onChange={(kind) => onKeep(withBody({ kind }), 'Body')}
        />
        {body.kind === 'bevel' && (
          <>
            <Choice
              label="Profile"
              value={body.profile}
              options={words(PROFILES, PROFILE_WORDS)}
              onChange={(profile) => onKeep(withBody({ profile }), 'Profile')}
            />
            {number('Width', body.widthPx, 0.5, 64, (widthPx) => withBody({ widthPx }), {
              unit: 'px',
              logarithmic: true,
              digits: 1,
              step: 0.5,
            })}
            {number('Height', body.heightPx, -32, 32, (heightPx) => withBody({ heightPx }), {
              unit: 'px',
              digits: 1,
              step: 0.1,
            })}
          </>
        )}
        {body.kind === 'inflate' &&
          number('Fullness', body.fullness, -1, 2, (fullness) => withBody({ fullness }), { initial: 1 })}
      </Column>
      <Column title="Grain" aside="px">
        <OctaveFaders
          octaves={grain.octaves}
          onPreview={(octaves) => onPreview({ ...recipe, grain: { ...grain, octaves } })}
          onKeep={(octaves) => onKeep({ ...recipe, grain: { ...grain, octaves } }, 'Grain')}
          onCancel={onCancel}
        />
        {number(
          'Height',
          grain.heightPx,
          -16,
          16,
          (heightPx) => ({ ...recipe, grain: { ...grain, heightPx } }),
          { unit: 'px', digits: 1, step: 0.1, initial: 1 },
        )}
      </Column>
      <Column title="Surface">
        {number('Strength', recipe.strength, 0, 4, (strength) => ({ ...recipe, strength }), { initial: 1 })}
        {number('Sanding', recipe.sandingPx, 0, 8, (sandingPx) => ({ ...recipe, sandingPx }), {
          unit: 'px',
          digits: 1,
          step: 0.1,
          initial: 0,
        })}
        <Choice
          label="Seamless"
          value={recipe.seamless}
          options={words(SEAMLESS, SEAMLESS_WORDS)}
          onChange={(seamless) => onKeep({ ...recipe, seamless }, 'Seamless')}
        />
        <Choice
          label="Art"
          value={recipe.pixelArt}
          options={words(PIXEL_ART, ART_WORDS)}
          onChange={(pixelArt) => onKeep({ ...recipe, pixelArt }, 'Art')}
        />
      </Column>
      <Column title="Hand lamp">
        <ValueField
          label="Height"
          value={lamp.heightPx}
          low={1}
          high={400}
          digits={0}
          unit="px"
          logarithmic
          initial={16}
          onPreview={(heightPx) => onLamp({ heightPx })}
          onCommit={(heightPx) => onLamp({ heightPx })}
          onCancel={() => undefined}
        />
        <ColourField
          label="Colour"
          value={lamp.colour}
          onPreview={(colour) => onLamp({ colour })}
          onCommit={(colour) => onLamp({ colour })}
        />
      </Column>
      <Output artworkId={artworkId} recipe={recipe} hasRelief={hasRelief} onKeep={onKeep} />
    </div>
  );
}

function Output({
  artworkId,
  recipe,
  hasRelief,
  onKeep,
}: Pick<ReliefDeskProps, 'artworkId' | 'recipe' | 'hasRelief' | 'onKeep'>) {
  const studio = useStudio();
  const name = useScene((state) => state.scene.artworks[artworkId]?.name ?? '');
  const imageSha = useScene((state) => state.scene.artworks[artworkId]?.imageSha ?? '');
  const [yUp, setYUp] = useState(true);
  const [seen, setSeen] = useState<string | null>(null);
  const save = async () => {
    try {
      const bytes = await studio.workers.remote.normalMap(imageSha, recipe, yUp);
      download(`${name}_n.png`, bytes, 'image/png');
    } catch (thrown) {
      studio.say(`The normal map of ${name} was not made: ${wordsOf(thrown)}`);
    }
  };
  const choose = async () => {
    const chosen = await studio.workers.remote.chooseRecipe(imageSha);
    setSeen(chosen.seen);
    onKeep(chosen.recipe, 'Choose a recipe by looking');
  };
  return (
    <Column title="Out" wide>
      <Choice<'up' | 'down'>
        label="Green"
        value={yUp ? 'up' : 'down'}
        options={[
          ['up', 'Y up'],
          ['down', 'Y down'],
        ]}
        onChange={(v) => setYUp(v === 'up')}
      />
      <Row label="Name">
        <span className="figure truncate">{name}_n.png</span>
      </Row>
      <Row label="">
        <Key disabled={!hasRelief} onClick={() => void save()}>
          Save normal map
        </Key>
      </Row>
      <Row label="Recipe">
        <Key onClick={() => void choose()}>Choose by looking</Key>
      </Row>
      {seen && <p className="text-right text-small text-ash">Seen: {seen}</p>}
    </Column>
  );
}

/** A small fader for each wavelength; below the middle light is deep. */
function OctaveFaders({
  octaves,
  onPreview,
  onKeep,
  onCancel,
}: {
  octaves: number[];
  onPreview(octaves: number[]): void;
  onKeep(octaves: number[]): void;
  onCancel(): void;
}) {
  const [live, setLive] = useState<number[] | null>(null);
  const shown = live ?? octaves;
  return (
    <div className="mb-1 flex h-[84px] justify-between px-1">
      {OCTAVES_PX.map((wavelength, i) => (
        <div key={wavelength} className="flex w-[28px] flex-col items-center">
          <div className="flex min-h-0 flex-1 pt-1">
            <Fader
              label={`Grain of ${wavelength} px`}
              value={shown[i]}
              travel={OCTAVE_TRAVEL}
              onPreview={(value) => {
                setLive(octaves.with(i, value));
                onPreview(octaves.with(i, value));
              }}
              onCommit={(value) => {
                setLive(null);
                onKeep(octaves.with(i, value));
              }}
              onCancel={() => {
                setLive(null);
                onCancel();
              }}
            />
          </div>
          <span className="figure mt-1 text-ash">{wavelength}</span>
        </div>
      ))}
    </div>
  );
}
