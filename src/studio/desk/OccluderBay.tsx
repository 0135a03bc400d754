'use client';
import type { Shade } from '@/core/scene/records/shade';
import { change } from '@/core/scene/edits';
import { BayColumns } from '../controls/BayColumns';
import { CommandKey } from '../controls/CommandKey';
import { useGesture } from '../controls/FieldOf';
import { ShadeFields } from '../controls/ShadeFields';
import { Column } from '../controls/Column';
import { Key, Row } from '../controls/small';
import { useScene, useStudio } from '../context';
import { joinOccluders } from '../store/occluder-edits';
import { fixOccluders } from '../store/occluder-owners';
import { ManyColumn } from './ManyColumn';
import { PlaneChoice } from './RecordFields';
import { PickedName } from './PlaceFields';
import { StateRow } from './StateRow';

export function OccluderBay({ ids }: { ids: string[] }) {
  const studio = useStudio();
  const occluder = useScene((state) => state.scene.occluders[ids[0]]);
  const all = useScene((state) => ids.flatMap((id) => state.scene.occluders[id] ?? []));
  const gesture = useGesture(studio, 'Change an occluder');
  const edits = (fields: Partial<Shade>) =>
    ids.flatMap((id) => change(studio.scenes.kept, 'occluders', id, fields) ?? []);
  const owner = useScene(
    (state) => state.scene.sprites[state.scene.occluders[ids[0]]?.spriteId ?? '']?.name ?? null,
  );
  if (!occluder) return null;
  const points = occluder.outlines.reduce((sum, outline) => sum + outline.length / 2, 0);
  return (
    <BayColumns
      title={
        <>
          <PickedName collection="occluders" ids={ids} one="occluder" many="occluders" />
          <span className="text-ash">{occluder.kind === 'closed' ? 'closed outline' : 'line'}</span>
        </>
      }
    >
      <Column title="Shadow">
        <ShadeFields
          shade={occluder}
          closed={occluder.kind === 'closed'}
          differs={(field) => all.some((one) => one[field] !== occluder[field])}
          onPreview={(fields) => gesture.preview(edits(fields))}
          onCommit={(fields) => gesture.commit(edits(fields))}
          onCancel={gesture.cancel}
        />
      </Column>
      <Column title="State">
        <StateRow collection="occluders" ids={ids} />
      </Column>
      <Column title="Mount">
        {owner === null ? (
          <>
            <PlaneChoice collection="occluders" ids={ids} />
            <Row label="Moves with">
              <CommandKey id="tool-hang" about="Then click a sprite on the stage">
                Fix to a sprite
              </CommandKey>
            </Row>
          </>
        ) : (
          <Row label="Moves with">
            <button
              type="button"
              className="cursor-pointer truncate text-brass"
              onClick={() => studio.pick({ collection: 'sprites', id: occluder.spriteId! })}
            >
              {owner}
            </button>
            <Key title="It stays where it is" onClick={() => fixOccluders(studio, null)}>
              Detach
            </Key>
          </Row>
        )}
        <Row label="Points">
          <span className="figure">{points}</span>
        </Row>
        <Row label="">
          {ids.length > 1 && <Key onClick={() => joinOccluders(studio)}>Join</Key>}
          <CommandKey id="delete">Delete</CommandKey>
        </Row>
      </Column>
      {ids.length > 1 && <ManyColumn />}
    </BayColumns>
  );
}
