'use client';
import { inOrder } from '@/core/scene/document';
import { ANSWERS } from '@/core/scene/records/answer';
import { BayColumns } from '../controls/BayColumns';
import { FieldOf } from '../controls/FieldOf';
import { NameField } from '../controls/NameField';
import { Choice, ColourField, Column, Key, Row, Switch } from '../controls/small';
import { useScene, useStudio } from '../context';
import { addPlane, movePlane } from '../elevation/planes';
import { commandOf } from '../commands/all-commands';
import { ANSWER_WORDS } from './answers';
import { CircuitLetters } from './CircuitLetters';
import { giveTiles } from '../store/tile-plane';
import { TileBay } from './TileBay';
import { useField } from './use-fields';

export function PlaneBay({ id }: { id: string }) {
  const studio = useStudio();
  const plane = useScene((state) => state.scene.planes[id]);
  const at = useScene((state) => inOrder(state.scene.planes).findIndex(([other]) => other === id));
  const count = useScene((state) => Object.keys(state.scene.planes).length);
  const tint = useField('planes', [id], 'tint', 'Tint');
  const answer = useField('planes', [id], 'answer', 'Answer');
  const circuits = useField('planes', [id], 'circuitIds', 'Circuits');
  const overlay = useField('planes', [id], 'overlay', 'Overlay');
  const hidden = useField('planes', [id], 'hidden', 'Hide');
  const locked = useField('planes', [id], 'locked', 'Lock');
  if (!plane) return null;
  return (
    <div>
      <div className="mb-1 flex items-center gap-2">
        <NameField
          name={plane.name}
          label="Name of the plane"
          className="w-[200px] text-large"
          onChange={(name) => studio.set('Rename', 'planes', id, { name })}
        />
        <span className="text-ash">
          plane {at + 1} of {count}, counted from the farthest
        </span>
      </div>
      <BayColumns>
        <Column title="Plane">
          <FieldOf
            collection="planes"
            ids={[id]}
            field="parallax"
            label="Parallax"
            low={0}
            high={2}
            step={0.01}
            initial={1}
          />
          <ColourField label="Tint" value={tint.value} onPreview={tint.preview} onCommit={tint.set} />
          <Choice
            label="Answer"
            value={answer.value}
            options={ANSWERS.map((a) => [a, ANSWER_WORDS[a]])}
            onChange={answer.set}
          />
          <Switch label="Shown" on={!hidden.value} words={['yes', 'no']} onChange={(on) => hidden.set(!on)} />
          <Switch label="Locked" on={locked.value} words={['yes', 'no']} onChange={locked.set} />
          <Row label="Order">
            <Key disabled={at === 0} onClick={() => movePlane(studio, id, -1)}>
              Farther
            </Key>
            <Key disabled={at === count - 1} onClick={() => movePlane(studio, id, 1)}>
              Nearer
            </Key>
          </Row>
        </Column>
        {plane.tiles ? (
          <TileBay planeId={id} />
        ) : (
          <Column title="Light">
            <CircuitLetters label="Listens" ids={circuits.value} onChange={circuits.set} />
            <Switch
              label="Overlay"
              on={overlay.value}
              words={['unlit, over all', 'no']}
              onChange={overlay.set}
            />
            <TileSheetChoice planeId={id} />
          </Column>
        )}
        <Column title="Planes">
          <Row label="">
            <Key onClick={() => addPlane(studio, id)}>Add a plane in front</Key>
          </Row>
          <Row label="">
            <Key disabled={count === 1} onClick={() => commandOf('delete').run(studio)}>
              Delete with all on it
            </Key>
          </Row>
        </Column>
      </BayColumns>
    </div>
  );
}

/** Makes a plane one that is painted with the tiles of a sheet. */
function TileSheetChoice({ planeId }: { planeId: string }) {
  const studio = useStudio();
  const artworks = useScene(({ scene }) =>
    Object.entries(scene.artworks)
      .filter(([, { binned }]) => !binned)
      .map(([id, { name }]) => [id, name] as const)
      .sort(([, a], [, b]) => a.localeCompare(b)),
  );
  return (
    <Choice
      label="Tiles"
      value=""
      options={[['', artworks.length === 0 ? 'no artworks yet' : 'none; choose a sheet …'], ...artworks]}
      onChange={(artworkId) => artworkId && giveTiles(studio, planeId, artworkId)}
    />
  );
}
