'use client';
import { LIGHT_KINDS } from '@/core/scene/document';
import { Choice, Column, Key } from '../controls/small';
import { useDesk, useScene, useStudio } from '../context';
import { KIND_WORDS } from './LookColumns';

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
      <div className="flex gap-[14px] pb-1">
        <Column title="Kind">
          <div role="group" aria-label="Kind of new lights" className="grid grid-cols-2 gap-1 pt-1">
            {LIGHT_KINDS.map((one) => (
              <Key key={one} pressed={kind === one} onClick={() => studio.desk.setState({ lightKind: one })}>
                {KIND_WORDS[one]}
              </Key>
            ))}
          </div>
        </Column>
        {kind === 'gobo' && (
          <Column title="Gobo">
            <Choice
              label="Picture"
              value={goboId ?? ''}
              options={[['', 'Choose an artwork'], ...artworks]}
              onChange={(id) => studio.desk.setState({ goboId: id === '' ? null : id })}
            />
          </Column>
        )}
      </div>
    </div>
  );
}
