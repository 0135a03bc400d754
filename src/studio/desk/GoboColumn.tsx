'use client';
import { figureSize } from '@/core/art/frames';
import type { Gobo } from '@/core/scene/records/light-look';
import { Choice, Column, Switch } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { useScene, useStudio } from '../context';
import { LIGHT_SCREENS } from '../lights/kinds/all-kinds';
import type { LookAdapter } from './look-adapter';
import { LookNumber } from './LookFields';

/** The picture that shapes a light. */
export function GoboColumn({ of }: { of: LookAdapter }) {
  const studio = useStudio();
  const { gobo, kind } = of.look;
  const { figure } = LIGHT_SCREENS[kind];
  const artworks = useScene(({ scene }) =>
    Object.entries(scene.artworks)
      .filter(([, artwork]) => !artwork.binned)
      .map(([id, { name }]) => [id, name] as const)
      .toSorted((a, b) => a[1].localeCompare(b[1])),
  );
  const choose = (artworkId: string) => {
    if (artworkId === '') return of.commit({ gobo: null });
    const { widthPx, heightPx } = figureSize(studio.scene.artworks[artworkId]);
    const scale = Math.max(1, Math.round((of.look.reachPx * 1.4) / Math.max(widthPx, heightPx)));
    const size = gobo ?? {
      widthPx: widthPx * scale,
      heightPx: heightPx * scale,
      fadePx: 0,
      crisp: false,
      playing: true,
    };
    of.commit({ gobo: { ...size, artworkId } });
  };
  const number = (field: 'widthPx' | 'heightPx' | 'fadePx', label: string, low: number) => (
    <ValueField
      label={of.mark('gobo', label)}
      value={gobo![field]}
      low={low}
      high={1000}
      digits={0}
      unit="px"
      logarithmic
      onPreview={(value) => of.preview({ gobo: { ...gobo!, [field]: value } })}
      onCommit={(value) => of.commit({ gobo: { ...gobo!, [field]: value } })}
      onCancel={of.cancel}
    />
  );
  const toggle = (field: keyof Pick<Gobo, 'crisp' | 'playing'>, label: string, words: [string, string]) => (
    <Switch
      label={label}
      on={gobo![field]}
      words={words}
      onChange={(on) => of.commit({ gobo: { ...gobo!, [field]: on } })}
    />
  );
  return (
    <Column title="Gobo" aside={figure.gobo && !gobo && <span className="text-signal">needs a picture</span>}>
      <Choice
        label={of.mark('gobo', 'Picture')}
        value={gobo?.artworkId ?? ''}
        options={[['', figure.gobo ? 'Choose an artwork' : 'None'], ...artworks]}
        onChange={choose}
      />
      {gobo && (
        <>
          {number('widthPx', 'Width', 1)}
          {number('heightPx', 'Height', 1)}
          {number('fadePx', 'Fade', 0)}
          {!figure.outlines && (
            <LookNumber of={of} field="turnDeg" label="Turn" low={-180} high={180} unit="°" digits={0} />
          )}
          {toggle('crisp', 'Read', ['crisp', 'smooth'])}
        </>
      )}
    </Column>
  );
}
