'use client';
import { LIGHT_SPACES, type LightSpace } from '@/core/raster/colour';
import { type Tone, TONES } from '@/core/finish/tone';
import { settingsOf } from '@/core/scene/document';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { COLOUR_VISION_NAMES } from '@/core/checks/colour-vision';
import { BayColumns } from '../controls/BayColumns';
import { FieldOf } from '../controls/FieldOf';
import { CommandKey } from '../controls/CommandKey';
import { Column } from '../controls/Column';
import { Choice, ColourField, Row, Switch } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { SettingField } from '../controls/SettingField';
import { useDesk, useScene, useStudio } from '../context';
import { CircuitNames } from './CircuitLetters';
import { GATE_SIZES } from './gate-sizes';
import { SetNames } from './ManyColumn';
import { useField } from './use-fields';

const SPACE_WORDS: Record<LightSpace, string> = { linear: 'Linear light', display: 'Display values' };
const TONE_WORDS: Record<Tone, string> = { clip: 'Clip', shoulder: 'Shoulder', film: 'Film' };
const IDS = [SETTINGS_ID];

/** What belongs to the scene as a whole; shown while nothing is picked. */
export function SceneBay() {
  const backdrop = useField('settings', IDS, 'backdropColour', 'Backdrop');
  const backdropLit = useField('settings', IDS, 'backdropLit', 'Backdrop');
  const space = useField('settings', IDS, 'lightSpace', 'Light space');
  const tone = useField('settings', IDS, 'tone', 'Tone');
  const pixelArt = useField('settings', IDS, 'pixelArt', 'Kind of art');
  return (
    <BayColumns
      title={
        <p className="text-large">
          The scene <span className="text-plain text-ash">pick something to see its own controls</span>
        </p>
      }
    >
      <Column title="Backdrop">
        <ColourField
          label="Colour"
          value={backdrop.value}
          onPreview={backdrop.preview}
          onCommit={backdrop.set}
        />
        <Switch
          label="Lit"
          on={backdropLit.value}
          words={['by the ambient', 'as it is']}
          onChange={backdropLit.set}
        />
      </Column>
      <Column title="Gate" aside="px">
        <GateSize />
        <FieldOf collection="settings" ids={IDS} field="gateX" label="X" low={-2000} high={2000} digits={0} />
        <FieldOf collection="settings" ids={IDS} field="gateY" label="Y" low={-2000} high={2000} digits={0} />
        <FieldOf
          collection="settings"
          ids={IDS}
          field="gateWidthPx"
          label="Width"
          low={16}
          high={1920}
          digits={0}
          initial={480}
        />
        <FieldOf
          collection="settings"
          ids={IDS}
          field="gateHeightPx"
          label="Height"
          low={16}
          high={1080}
          digits={0}
          initial={270}
        />
      </Column>
      <Column title="Grid and sets">
        <GridField />
        <Row label="Hidden">
          <CommandKey id="show-all">Show all</CommandKey>
        </Row>
        <Row label="Locked">
          <CommandKey id="unlock-all">Unlock all</CommandKey>
        </Row>
        <SetNames />
      </Column>
      <Column title="Picture">
        <Choice<'yes' | 'no'>
          label="Art"
          value={pixelArt.value ? 'yes' : 'no'}
          options={[
            ['yes', 'Pixel art'],
            ['no', 'Painted'],
          ]}
          onChange={(v) => pixelArt.set(v === 'yes')}
        />
        <Choice<LightSpace>
          label="Light space"
          value={space.value}
          options={LIGHT_SPACES.map((s) => [s, SPACE_WORDS[s]])}
          onChange={space.set}
        />
        <FieldOf
          collection="settings"
          ids={IDS}
          field="clockHours"
          label="Opens at"
          low={0}
          high={24}
          step={0.25}
          unit="h"
        />
        <ShadowBudget />
      </Column>
      <Column title="Circuits" wide>
        <CircuitNames />
      </Column>
      <Column title="Finish">
        <FieldOf
          collection="settings"
          ids={IDS}
          field="exposureStops"
          label="Exposure"
          low={-6}
          high={6}
          step={0.05}
          unit="stops"
          initial={0}
        />
        <Choice<Tone>
          label="Tone"
          value={tone.value}
          options={TONES.map((t) => [t, TONE_WORDS[t]])}
          onChange={tone.set}
        />
        {tone.value === 'shoulder' && (
          <FieldOf
            collection="settings"
            ids={IDS}
            field="whiteLevel"
            label="White at"
            low={1}
            high={32}
            step={0.1}
            digits={1}
            logarithmic
            initial={4}
          />
        )}
      </Column>
      <Column title="View">
        <FieldOf
          collection="settings"
          ids={IDS}
          field="viewTiltDeg"
          label="View tilt"
          low={0}
          high={90}
          unit="°"
          digits={0}
          initial={0}
        />
        <EyesChoice />
        <Row label="">
          <CommandKey id="passes" about="How long each takes, and the picture after it" />
        </Row>
        <p className="text-small text-ash">
          0 is from the side, 90 from straight above. Above 0, sprites that stand throw their shape in the
          sun.
        </p>
      </Column>
    </BayColumns>
  );
}

/** By whose eyes the stage is seen; the scene stays as it is. */
function EyesChoice() {
  const studio = useStudio();
  const eyes = useDesk((state) => state.eyes);
  return (
    <Choice<string>
      label="Seen by"
      value={eyes ?? ''}
      options={[['', 'your own eyes'], ...COLOUR_VISION_NAMES.map((name) => [name, `a ${name}`] as const)]}
      onChange={(name) =>
        studio.desk.setState({ eyes: COLOUR_VISION_NAMES.find((one) => one === name) ?? null })
      }
    />
  );
}

/** One of the sizes that there are names for, or one set by hand. */
function GateSize() {
  const studio = useStudio();
  const [width, height] = useScene(({ scene }) => {
    const { gateWidthPx, gateHeightPx } = settingsOf(scene);
    return [gateWidthPx, gateHeightPx];
  });
  const wordsOf = (size: { widthPx: number; heightPx: number }) => `${size.widthPx} × ${size.heightPx}`;
  const own = wordsOf({ widthPx: width, heightPx: height });
  const isOffered = GATE_SIZES.some((size) => wordsOf(size) === own);
  return (
    <Choice<string>
      label="Size"
      value={own}
      options={[...(isOffered ? [] : [own]), ...GATE_SIZES.map(wordsOf)].map(
        (words) => [words, words] as const,
      )}
      onChange={(words) => {
        const size = GATE_SIZES.find((one) => wordsOf(one) === words);
        if (!size) return;
        const { gateX, gateY } = settingsOf(studio.scene);
        // It grows and shrinks about its middle.
        studio.setSettings('Size of the gate', {
          gateWidthPx: size.widthPx,
          gateHeightPx: size.heightPx,
          gateX: Math.round(gateX + (width - size.widthPx) / 2),
          gateY: Math.round(gateY + (height - size.heightPx) / 2),
        });
      }}
    />
  );
}

/** How many lights may throw shadows at once, before it is a snag. */
function ShadowBudget() {
  const budget = useField('settings', IDS, 'shadowBudget', 'Shadow limit');
  return (
    <ValueField
      label="Shadow limit"
      value={budget.value ?? 0}
      low={0}
      high={64}
      whole
      unit={budget.value === null ? 'off' : ''}
      initial={0}
      onPreview={(value) => budget.preview(value || null)}
      onCommit={(value) => budget.set(value || null)}
      onCancel={budget.cancel}
    />
  );
}

/** What things are placed and moved by, for this person. */
function GridField() {
  const studio = useStudio();
  const gridPx = useDesk((state) => state.gridPx);
  return (
    <SettingField
      label="Grid"
      value={gridPx}
      low={0}
      high={128}
      whole
      unit={gridPx === 0 ? 'off' : 'px'}
      initial={0}
      onChange={(value) => studio.desk.setState({ gridPx: value })}
    />
  );
}
