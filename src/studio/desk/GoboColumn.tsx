'use client';
import { figureSize, framesIn } from '@/core/art/frames';
import { settingsOf } from '@/core/scene/document';
import { type Gobo, type LightLook, newGobo } from '@/core/scene/records/light-look';
import { Column } from '../controls/Column';
import { Choice, Switch } from '../controls/small';
import { ValueField, type ValueFieldProps } from '../controls/ValueField';
import { useScene, useStudio } from '../context';
import { LIGHT_SCREENS } from '../lights/kinds/all-kinds';
import type { LookAdapter } from './look-adapter';
import { LookNumber } from './LookFields';
import { useArtworkOptions } from './use-fields';

const PX = { low: 0, high: 1000, unit: 'px', logarithmic: true } as const;

/** The picture that shapes a light. */
export function GoboColumn({ of }: { of: LookAdapter }) {
  const studio = useStudio();
  const { gobo, kind } = of.look;
  const { figure } = LIGHT_SCREENS[kind];
  const artworks = useArtworkOptions();
  const isPixelArt = useScene(({ scene }) => settingsOf(scene).pixelArt);
  const frames = useScene(({ scene }) => {
    const artwork = scene.artworks[gobo?.artworkId ?? ''];
    return artwork ? framesIn(artwork).length : 1;
  });
  const choose = (artworkId: string) => {
    if (artworkId === '') return of.commit({ gobo: null });
    const { widthPx, heightPx } = figureSize(studio.scene.artworks[artworkId]);
    const scale = Math.max(1, Math.round((of.look.reachPx * 1.4) / Math.max(widthPx, heightPx)));
    const made = newGobo({ artworkId, widthPx: widthPx * scale, heightPx: heightPx * scale });
    of.commit((look) => ({ gobo: look.gobo ? { ...look.gobo, artworkId, frame: 0 } : made }));
  };
  const differs = (field: keyof Gobo) => of.all.some((look) => look.gobo?.[field] !== gobo?.[field]);
  // Each keeps what it has of its own.
  const given = (fields: Partial<Gobo>) => (look: LightLook) =>
    look.gobo ? { gobo: { ...look.gobo, ...fields } } : {};
  const number = (
    field: 'widthPx' | 'heightPx' | 'fadePx' | 'frame' | 'speed',
    label: string,
    range: Pick<ValueFieldProps, 'low' | 'high' | 'digits' | 'whole' | 'unit' | 'logarithmic'>,
  ) => {
    return (
      <ValueField
        digits={0}
        {...range}
        label={of.mark('gobo', label)}
        value={gobo![field]}
        differs={differs(field)}
        onPreview={(value) => of.preview(given({ [field]: value }))}
        onCommit={(value) => of.commit(given({ [field]: value }))}
        onCancel={of.cancel}
      />
    );
  };
  const toggle = (field: keyof Pick<Gobo, 'crisp' | 'playing'>, label: string, words: [string, string]) => (
    <Switch
      label={label}
      on={gobo![field]}
      words={words}
      differs={differs(field)}
      onChange={(on) => of.commit(given({ [field]: on }))}
    />
  );
  return (
    <Column title="Gobo" aside={figure.gobo && !gobo && <span className="text-signal">needs a picture</span>}>
      <Choice
        label={of.mark('gobo', 'Picture')}
        value={gobo?.artworkId ?? ''}
        differs={differs('artworkId')}
        options={[['', figure.gobo ? 'Choose one' : 'None'], ...artworks]}
        onChange={choose}
      />
      {gobo && (
        <>
          {number('widthPx', 'Width', { ...PX, low: 1 })}
          {number('heightPx', 'Height', { ...PX, low: 1 })}
          {number('fadePx', 'Fade', PX)}
          {!figure.outlines && (
            <LookNumber of={of} field="turnDeg" label="Turn" low={-180} high={180} unit="°" digits={0} />
          )}
          {!isPixelArt && toggle('crisp', 'Pixels', ['crisp', 'smooth'])}
          {frames > 1 && toggle('playing', 'Frames', ['playing', 'still'])}
          {frames > 1 &&
            number('frame', gobo.playing ? 'From' : 'Frame', { low: 0, high: frames - 1, whole: true })}
          {frames > 1 &&
            gobo.playing &&
            number('speed', 'Speed', { low: 0.05, high: 20, digits: 2, unit: 'x', logarithmic: true })}
        </>
      )}
    </Column>
  );
}
