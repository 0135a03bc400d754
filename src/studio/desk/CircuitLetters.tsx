'use client';
import { LIMITS } from '@/core/limits';
import { inOrder } from '@/core/scene/document';
import { HOUSE_CIRCUIT, newCircuit } from '@/core/scene/records/circuit';
import { change, create } from '@/core/scene/edits';
import { orderAfter, orderAt } from '@/core/scene/order';
import { NameField } from '../controls/NameField';
import { Key, Row } from '../controls/small';
import { useScene, useStudio } from '../context';
import { CircuitMark, letterOf } from '../controls/CircuitMark';
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
            className="cursor-pointer px-[1px]"
            onClick={() => onChange(isOn ? ids!.filter((other) => other !== id) : [...(ids ?? []), id])}
          >
            <CircuitMark index={i} isOn={isOn} />
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
          <Key
            name={`Move circuit ${letterOf(i)} up`}
            title="One place up: letters follow the order"
            disabled={i === 0}
            onClick={() => moveCircuit(studio, id, i - 1)}
          >
            ↑
          </Key>
          <Key
            name={`Move circuit ${letterOf(i)} down`}
            title="One place down: letters follow the order"
            disabled={i === circuits.length - 1}
            onClick={() => moveCircuit(studio, id, i + 1)}
          >
            ↓
          </Key>
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

/** Puts a circuit at a place among all. */
function moveCircuit(studio: Studio, id: string, place: number): void {
  const order = orderAt(studio.scene.circuits, id, place);
  if (order !== null) studio.set('Order of the circuits', 'circuits', id, { order });
}

/** Takes a circuit away, and out of all that is wired to it. */
function deleteCircuit(studio: Studio, id: string): void {
  studio.scenes.transact({
    label: 'Delete a circuit',
    edits: deleteEdits(studio, [{ collection: 'circuits', id }]),
  });
}
