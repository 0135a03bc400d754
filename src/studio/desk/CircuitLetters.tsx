'use client';
import { LIMITS } from '@/core/limits';
import { inOrder } from '@/core/scene/document';
import { HOUSE_CIRCUIT, newCircuit } from '@/core/scene/records/circuit';
import { change, create } from '@/core/scene/edits';
import { orderAfter } from '@/core/scene/order';
import { NameField } from '../controls/NameField';
import { Key, Row } from '../controls/small';
import { useScene, useStudio } from '../context';
import { deleteEdits } from '../store/delete-edits';
import { freshId, type Studio } from '../store/studio';

/** Circuits as letters in their order; a press wires one more or one less. */
export function CircuitLetters({
  label,
  ids,
  differs = false,
  onChange,
}: {
  label: string;
  /** Null takes what the plane says. */
  ids: readonly string[] | null;
  differs?: boolean;
  onChange(ids: string[]): void;
}) {
  const studio = useStudio();
  const circuits = useScene(({ scene }) => inOrder(scene.circuits).map(([id, { name }]) => ({ id, name })));
  const add = () => {
    const all = inOrder(studio.scene.circuits);
    const id = freshId();
    studio.scenes.transact({
      label: 'Add a circuit',
      edits: [
        create(
          'circuits',
          id,
          newCircuit({
            name: `Circuit ${letterOf(all.length)}`,
            order: orderAfter(all.map(([, { order }]) => order)),
          }),
        ),
      ],
    });
    onChange([...(ids ?? [HOUSE_CIRCUIT]), id]);
  };
  return (
    <Row label={label}>
      {differs && <span className="text-ash">differs</span>}
      {circuits.map(({ id, name }, i) => {
        const isOn = ids?.includes(id) ?? false;
        return (
          <button
            key={id}
            type="button"
            aria-label={`${label}: ${name}`}
            aria-pressed={isOn}
            title={name}
            className={`figure cursor-pointer px-[2px] ${isOn ? 'text-brass' : 'text-dust'}`}
            onClick={() => onChange(isOn ? ids!.filter((other) => other !== id) : [...(ids ?? []), id])}
          >
            {letterOf(i)}
          </button>
        );
      })}
      {circuits.length < LIMITS.circuits && (
        <button
          type="button"
          aria-label={`${label}: a new circuit`}
          title="A new circuit"
          className="cursor-pointer text-ash"
          onClick={add}
        >
          +
        </button>
      )}
    </Row>
  );
}

/** The circuits by their letters, to be named; one that nothing was wired to from the start can go. */
export function CircuitNames() {
  const studio = useStudio();
  const circuits = useScene(({ scene }) => inOrder(scene.circuits).map(([id, { name }]) => ({ id, name })));
  return (
    <>
      {circuits.map(({ id, name }, i) => (
        <Row key={id} label={`Circuit ${letterOf(i)}`}>
          <NameField
            name={name}
            label={`Name of circuit ${letterOf(i)}`}
            className="min-w-0 flex-1 text-right"
            onChange={(next) => studio.set('Rename', 'circuits', id, { name: next })}
          />
          {circuits.length < LIMITS.circuits && (
            <Key
              name={`Duplicate circuit ${letterOf(i)}`}
              title="A circuit from the same lights to the same sprites"
              onClick={() => duplicateCircuit(studio, id)}
            >
              Copy
            </Key>
          )}
          {id !== HOUSE_CIRCUIT && (
            <Key name={`Delete circuit ${letterOf(i)}`} onClick={() => deleteCircuit(studio, id)}>
              ×
            </Key>
          )}
        </Row>
      ))}
    </>
  );
}

export function letterOf(index: number): string {
  return String.fromCharCode(65 + index);
}

/** Another circuit, wired to all that this one is wired to. */
function duplicateCircuit(studio: Studio, id: string): void {
  const { scene } = studio;
  const copyId = freshId();
  const order = orderAfter(Object.values(scene.circuits).map((circuit) => circuit.order));
  const wired = (['lights', 'lamps', 'sprites', 'planes'] as const).flatMap((collection) =>
    Object.entries(scene[collection]).flatMap(([ownId, { circuitIds }]) =>
      circuitIds?.includes(id)
        ? (change(scene, collection, ownId, { circuitIds: [...circuitIds, copyId] }) ?? [])
        : [],
    ),
  );
  const copy = create('circuits', copyId, {
    ...scene.circuits[id],
    name: `${scene.circuits[id].name} copy`,
    order,
  });
  studio.scenes.transact({ label: 'Duplicate a circuit', edits: [copy, ...wired] });
}

/** Takes a circuit away, and out of all that is wired to it. */
function deleteCircuit(studio: Studio, id: string): void {
  studio.scenes.transact({
    label: 'Delete a circuit',
    edits: deleteEdits(studio, [{ collection: 'circuits', id }]),
  });
}
