'use client';
import { HOUSE_CIRCUIT, inOrder } from '@/core/scene/document';
import { create } from '@/core/scene/edits';
import { orderAfter } from '@/core/scene/order';
import { Row } from '../controls/small';
import { useScene, useStudio } from '../context';
import { freshId } from '../store/studio';

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
        create('circuits', id, {
          name: `Circuit ${String.fromCharCode(65 + all.length)}`,
          order: orderAfter(all.map(([, { order }]) => order)),
        }),
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
            {String.fromCharCode(65 + i)}
          </button>
        );
      })}
      {circuits.length < 26 && (
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
