'use client';
import type { Shade } from '@/core/scene/records/shade';
import { change } from '@/core/scene/edits';
import { BayColumns } from '../controls/BayColumns';
import { useGesture } from '../controls/FieldOf';
import { ShadeFields } from '../controls/ShadeFields';
import { Choice, Column, Key, Row, Switch } from '../controls/small';
import { useScene, useStudio } from '../context';
import { commandOf } from '../commands/all-commands';
import { joinOccluders } from '../store/occluder-edits';
import { fixOccluders } from '../store/occluder-owners';
import { ManyColumn } from './ManyColumn';
import { PickedName } from './PlaceFields';
import { useField, usePlaneOptions } from './use-fields';

export function OccluderBay({ ids }: { ids: string[] }) {
  const studio = useStudio();
  const occluder = useScene((state) => state.scene.occluders[ids[0]]);
  const planes = usePlaneOptions();
  const all = useScene((state) => ids.flatMap((id) => state.scene.occluders[id] ?? []));
  const gesture = useGesture(studio, 'Change an occluder');
  const edits = (fields: Partial<Shade>) =>
    ids.flatMap((id) => change(studio.scenes.kept, 'occluders', id, fields) ?? []);
  const planeId = useField('occluders', ids, 'planeId', 'Put on a plane');
  const hidden = useField('occluders', ids, 'hidden', 'Hide');
  const locked = useField('occluders', ids, 'locked', 'Lock');
  const owner = useScene(
    (state) => state.scene.sprites[state.scene.occluders[ids[0]]?.spriteId ?? '']?.name ?? null,
  );
  if (!occluder) return null;
  const points = occluder.outlines.reduce((sum, outline) => sum + outline.length / 2, 0);
  return (
    <div>
      <div className="mb-1 flex items-center gap-2">
        <PickedName collection="occluders" ids={ids} one="occluder" many="occluders" />
        <span className="text-ash">{occluder.kind === 'closed' ? 'closed outline' : 'line'}</span>
      </div>
      <BayColumns>
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
        <Column title="Is there">
          <Switch
            label="Blocks"
            on={!hidden.value}
            words={['yes', 'no']}
            onChange={(on) => hidden.set(!on)}
          />
          <Switch label="Locked" on={locked.value} words={['yes', 'no']} onChange={locked.set} />
        </Column>
        <Column title="Stands">
          {owner === null ? (
            <>
              <Choice label="Plane" value={planeId.value} options={planes} onChange={planeId.set} />
              <Row label="Moves with">
                <Key
                  title="Then click a sprite on the stage (G)"
                  onClick={() => commandOf('tool-hang').run(studio)}
                >
                  Fix to a sprite
                </Key>
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
                Off
              </Key>
            </Row>
          )}
          <Row label="Points">
            <span className="figure">{points}</span>
          </Row>
          <Row label="">
            {ids.length > 1 && <Key onClick={() => joinOccluders(studio)}>Join</Key>}
            <Key onClick={() => commandOf('delete').run(studio)}>Delete</Key>
          </Row>
        </Column>
        {ids.length > 1 && <ManyColumn />}
      </BayColumns>
    </div>
  );
}
