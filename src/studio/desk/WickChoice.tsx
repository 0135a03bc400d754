'use client';
import { READY_WICKS } from '@/core/time/ready-wicks';
import { useScene } from '../context';
import { Choice } from '../controls/small';
import { inOrderOfName } from './use-fields';

/** What is chosen of a wick: none, one of the scene by its id, or one that comes with Oilwick by its place in the table. */
export type ChosenWick = { kind: 'none' } | { kind: 'scene'; id: string } | { kind: 'ready'; place: number };

const READY = 'ready ';

/** Which wick: none, one of the scene, or a new one of those that come with Oilwick. */
export function WickChoice({
  label,
  value,
  differs,
  own,
  onChoose,
}: {
  label: string;
  /** The id of a wick of the scene; `own` for a wick that stands beside those; null for none. */
  value: string | null;
  differs?: boolean;
  /** The name of the wick that stands beside those of the scene. */
  own?: string;
  onChoose(chosen: ChosenWick): void;
}) {
  const wicks = useScene(({ scene }) =>
    inOrderOfName(scene.wicks).map(([id, { name }]) => [id, name] as const),
  );
  return (
    <Choice
      label={label}
      value={value ?? ''}
      differs={differs}
      options={[
        ['', 'None, steady'],
        ...(own === undefined ? [] : [['own', own] as const]),
        ...wicks,
        ...READY_WICKS.map(({ name }, place) => [`${READY}${place}`, `New: ${name}`] as const),
      ]}
      onChange={(chosen) => {
        if (chosen === 'own') return;
        if (chosen === '') onChoose({ kind: 'none' });
        else if (chosen.startsWith(READY))
          onChoose({ kind: 'ready', place: Number(chosen.slice(READY.length)) });
        else onChoose({ kind: 'scene', id: chosen });
      }}
    />
  );
}
