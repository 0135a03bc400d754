'use client';
import { LIGHT_KINDS } from '@/core/moment/light-kinds/all-kinds';
import { BayColumns } from '../controls/BayColumns';
import { Column } from '../controls/Column';
import { Choice, Key } from '../controls/small';
import { useDesk, useStudio } from '../context';
import { LIGHT_SCREENS } from '../lights/kinds/all-kinds';
import { useArtworkOptions } from './use-fields';

/** Which kind of light the light tool places. */
export function LightToolBay() {
  const studio = useStudio();
  const kind = useDesk((state) => state.lightKind);
  const { word, about, figure } = LIGHT_SCREENS[kind];
  const goboId = useDesk((state) => state.goboId);
  const artworks = useArtworkOptions();
  return (
    <BayColumns
      title={
        <p className="text-large">
          New light{' '}
          <span className="text-plain text-ash">its kind can be changed later; what fits stays</span>
        </p>
      }
    >
      <Column title="Kind">
        <div role="group" aria-label="Kind of new lights" className="grid grid-cols-2 gap-1 pt-1">
          {LIGHT_KINDS.map((one) => (
            <Key key={one} pressed={kind === one} onClick={() => studio.desk.setState({ lightKind: one })}>
              {LIGHT_SCREENS[one].word}
            </Key>
          ))}
        </div>
      </Column>
      <Column title={word} wide>
        <p className="pt-1 text-ash">{about}</p>
      </Column>
      {figure.gobo && (
        <Column title="Shaped by">
          <Choice
            label="Picture"
            value={goboId ?? ''}
            options={[['', 'Choose an artwork'], ...artworks]}
            onChange={(id) => studio.desk.setState({ goboId: id === '' ? null : id })}
          />
        </Column>
      )}
    </BayColumns>
  );
}
