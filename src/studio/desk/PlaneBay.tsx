'use client';
import { inOrder } from '@/core/scene/document';
import { ANSWERS } from '@/core/scene/records/answer';
import { BayColumns } from '../controls/BayColumns';
import { CommandKey } from '../controls/CommandKey';
import { change } from '@/core/scene/edits';
import { FieldOf, useGesture } from '../controls/FieldOf';
import { ValueField } from '../controls/ValueField';
import { NameField } from '../controls/NameField';
import { Column } from '../controls/Column';
import { Choice, ColourField, Key, Row, Switch } from '../controls/small';
import { useScene, useStudio } from '../context';
import { addPlane, movePlane } from '../elevation/planes';
import { ANSWER_WORDS } from '../lights/answers';
import { CircuitLetters } from './CircuitLetters';
import { giveTiles } from '../store/tile-plane';
import { TileBay } from './TileBay';
import { inOrderOfName, useArtworkOptions, useField } from './use-fields';

export function PlaneBay({ id }: { id: string }) {
  const studio = useStudio();
  const plane = useScene((state) => state.scene.planes[id]);
  const at = useScene((state) => inOrder(state.scene.planes).findIndex(([other]) => other === id));
  const count = useScene((state) => Object.keys(state.scene.planes).length);
  const tint = useField('planes', [id], 'tint', 'Tint');
  const answer = useField('planes', [id], 'answer', 'Answer');
  const circuits = useField('planes', [id], 'circuitIds', 'Circuits');
  const ground = useField('planes', [id], 'ground', 'Ground');
  const overlay = useField('planes', [id], 'overlay', 'Overlay');
  const hidden = useField('planes', [id], 'hidden', 'Hide');
  const locked = useField('planes', [id], 'locked', 'Lock');
  if (!plane) return null;
  return (
    <BayColumns
      title={
        <>
          <NameField
            name={plane.name}
            label="Name of the plane"
            className="max-w-[200px] min-w-[60px] text-large [field-sizing:content]"
            onChange={(name) => studio.set('Rename', 'planes', id, { name })}
          />
          <span className="text-ash">
            plane {at + 1} of {count}, counted from the farthest
          </span>
        </>
      }
    >
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
      {plane.tiles && <TileBay planeId={id} />}
      <Column title="Light">
        <CircuitLetters label="Listens" ids={circuits.value} onChange={circuits.set} />
        <Switch
          label="Sun shadows"
          on={ground.value}
          words={['fall on it', 'do not']}
          onChange={ground.set}
        />
        <Switch label="Overlay" on={overlay.value} words={['unlit, over all', 'no']} onChange={overlay.set} />
        {plane.tiles && plane.answer === 'seen-when-lit' && (
          <TileGain planeId={id} gain={plane.tiles.seenGain} />
        )}
        {!plane.tiles && <TileSheetChoice planeId={id} />}
        <OwnBlur planeId={id} />
      </Column>
      <OccludersOnPlane planeId={id} />
      <Column title="Planes">
        <Row label="">
          <Key onClick={() => addPlane(studio, id)}>Add a plane in front</Key>
        </Row>
        <Row label="">
          <CommandKey id="delete">Delete with all on it</CommandKey>
        </Row>
      </Column>
    </BayColumns>
  );
}

/** How far a plane is blurred: by its distance from the one in focus, or by a measure of its own. */
function OwnBlur({ planeId }: { planeId: string }) {
  const blur = useField('planes', [planeId], 'blurPx', 'Blur');
  return (
    <>
      <Switch
        label="Blur"
        on={blur.value !== null}
        words={['its own', 'by distance']}
        onChange={(on) => blur.set(on ? 0 : null)}
      />
      {blur.value !== null && (
        <ValueField
          {...{ label: 'Blurred by', value: blur.value, low: 0, high: 8, step: 0.1, unit: 'px', initial: 0 }}
          onPreview={blur.preview}
          onCommit={blur.set}
          onCancel={blur.cancel}
        />
      )}
    </>
  );
}

/** How soon tiles that are seen when lit show. */
function TileGain({ planeId, gain }: { planeId: string; gain: number }) {
  const studio = useStudio();
  const gesture = useGesture(studio, 'Gain');
  const edits = (seenGain: number) => {
    const { tiles } = studio.scenes.kept.planes[planeId];
    const edit = tiles && change(studio.scenes.kept, 'planes', planeId, { tiles: { ...tiles, seenGain } });
    return edit ? [edit] : [];
  };
  return (
    <ValueField
      label="Gain"
      value={gain}
      low={0.1}
      high={32}
      step={0.1}
      digits={1}
      unit="x"
      logarithmic
      initial={4}
      onPreview={(value) => gesture.preview(edits(value))}
      onCommit={(value) => gesture.commit(edits(value))}
      onCancel={gesture.cancel}
    />
  );
}

/** The occluders that stand on a plane, the hidden and locked ones too, each to be picked. */
function OccludersOnPlane({ planeId }: { planeId: string }) {
  const studio = useStudio();
  const all = useScene(({ scene }) =>
    inOrderOfName(scene.occluders).flatMap(([id, { name, hidden, locked, spriteId, ...occluder }]) => {
      const on = spriteId === null ? occluder.planeId : scene.sprites[spriteId]?.planeId;
      return on === planeId ? [{ id, name, hidden, locked }] : [];
    }),
  );
  return (
    <Column title="Occluders" aside={String(all.length)}>
      <ul aria-label="Occluders on the plane" className="max-h-[150px] overflow-y-auto">
        {all.map(({ id, name, hidden, locked }) => (
          <li key={id} className="flex h-[22px] items-center gap-2">
            <button
              type="button"
              className="min-w-0 flex-1 cursor-pointer truncate text-left text-brass"
              onClick={() => studio.pick({ collection: 'occluders', id })}
            >
              {name}
            </button>
            <span className="text-small text-ash">
              {[hidden && 'hidden', locked && 'locked'].filter(Boolean).join(', ')}
            </span>
          </li>
        ))}
        {all.length === 0 && (
          <li className="text-small text-ash">None on this plane: draw one with Outline (K).</li>
        )}
      </ul>
    </Column>
  );
}

/** Makes a plane one that is painted with the tiles of a sheet. */
function TileSheetChoice({ planeId }: { planeId: string }) {
  const studio = useStudio();
  const artworks = useArtworkOptions();
  return (
    <Choice
      label="Tiles"
      value=""
      options={[['', artworks.length === 0 ? 'no artworks yet' : 'choose a sheet'], ...artworks]}
      onChange={(artworkId) => artworkId && giveTiles(studio, planeId, artworkId)}
    />
  );
}
