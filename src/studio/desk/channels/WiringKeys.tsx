'use client';
import { inOrder } from '@/core/scene/document';
import { CircuitMark } from '../../controls/CircuitMark';
import { useScene, useStudio } from '../../context';
import { setAcross } from '../../lights/across';
import { shadowsOf } from '../../lights/wiring-edits';
import type { FixtureName } from '../../store/fixtures';
import { across, byKeyAlone } from './across';

/** So many circuits have room on a channel. */
const MOST_LETTERS = 5;

const SHADOW_WORDS = { all: 'shadows', some: 'some shadows', none: 'no shadows' };

/** Whether its lights throw shadows. */
export function ShadowsKey({ members, name }: { members: readonly FixtureName[]; name: string }) {
  const studio = useStudio();
  const state = useScene(({ scene }) => {
    const all = members.map((member) => shadowsOf(scene, member)).filter((one) => one !== null);
    return all.length === 0 ? null : all.every((one) => one === all[0]) ? all[0] : 'some';
  });
  if (state === null) return <span className="h-[14px] text-small leading-[14px] text-ash">ambient</span>;
  const on = state !== 'all';
  return (
    <button
      type="button"
      role="switch"
      aria-checked={state === 'all'}
      aria-label={`Shadows of ${name}`}
      title={
        state === 'all'
          ? 'Throws shadows'
          : state === 'none'
            ? 'Throws no shadows'
            : 'Some of it throws shadows'
      }
      {...across('shadows')}
      className={`h-[14px] w-full shrink-0 cursor-pointer truncate text-left text-small leading-[14px] ${state === 'none' ? 'text-dust' : 'text-ash'}`}
      onClick={byKeyAlone(() => setAcross(studio, 'shadows', members, { isOn: on }))}
    >
      {SHADOW_WORDS[state]}
    </button>
  );
}

/** The circuits by their letters; a press wires to one more or one less. */
export function Letters({ members, name }: { members: readonly FixtureName[]; name: string }) {
  const studio = useStudio();
  const circuits = useScene(({ scene }) =>
    inOrder(scene.circuits).map(([id, circuit], index) => ({
      id,
      index,
      name: circuit.name,
      isOn: members.every((one) => scene[one.collection][one.id]?.circuitIds.includes(id)),
    })),
  );
  const shown = circuits.length <= MOST_LETTERS ? circuits : circuits.filter(({ isOn }) => isOn);
  return (
    <div className="flex h-[16px] shrink-0 gap-px overflow-hidden">
      {shown.slice(0, MOST_LETTERS).map((circuit) => (
        <button
          key={circuit.id}
          type="button"
          aria-label={`${name} on circuit ${circuit.name}`}
          aria-pressed={circuit.isOn}
          title={circuit.name}
          {...across(`circuit ${circuit.id}`)}
          className="w-[10px] cursor-pointer"
          onClick={byKeyAlone(() =>
            setAcross(studio, `circuit ${circuit.id}`, members, { isOn: !circuit.isOn }),
          )}
        >
          <CircuitMark index={circuit.index} isOn={circuit.isOn} />
        </button>
      ))}
    </div>
  );
}
