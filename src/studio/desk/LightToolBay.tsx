'use client';
import { LIGHT_KINDS, type LightKind } from '@/core/moment/light-kinds/all-kinds';
import { BayColumns } from '../controls/BayColumns';
import { Choice, Column, Key } from '../controls/small';
import { useDesk, useScene, useStudio } from '../context';
import { KIND_WORDS } from './LookColumns';

const ABOUT: Record<LightKind, string> = {
  ambient:
    'Lies evenly on all that it reaches, everywhere or within an outline: a shed that is dark while the yard is not.',
  sun: 'Parallel rays from one direction, the same everywhere.',
  point: 'Shines all round from where it stands.',
  spot: 'A cone that is turned by hand, with a soft edge.',
  area: 'Any outline, with feathered edges: light through a doorway, a hearth, a lit panel.',
  gobo: 'A picture shapes it, still or playing: light through leaves, a fan, frosted glass.',
};

/** Which kind of light the light tool places. */
export function LightToolBay() {
  const studio = useStudio();
  const kind = useDesk((state) => state.lightKind);
  const goboId = useDesk((state) => state.goboId);
  const artworks = useScene(({ scene }) =>
    Object.entries(scene.artworks)
      .filter(([, artwork]) => !artwork.binned)
      .map(([id, { name }]) => [id, name] as const),
  );
  return (
    <div>
      <p className="mb-1 text-large">
        New light <span className="text-plain text-ash">its kind can be changed later; what fits stays</span>
      </p>
      <BayColumns>
        <Column title="Kind">
          <div role="group" aria-label="Kind of new lights" className="grid grid-cols-2 gap-1 pt-1">
            {LIGHT_KINDS.map((one) => (
              <Key key={one} pressed={kind === one} onClick={() => studio.desk.setState({ lightKind: one })}>
                {KIND_WORDS[one]}
              </Key>
            ))}
          </div>
        </Column>
        <Column title={KIND_WORDS[kind]} wide>
          <p className="pt-1 text-ash">{ABOUT[kind]}</p>
        </Column>
        {kind === 'gobo' && (
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
    </div>
  );
}
