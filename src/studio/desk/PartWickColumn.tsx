'use client';
import { newWick, type Wick } from '@/core/scene/records/wick';
import type { LightPart } from '@/core/scene/records/luminaire';
import { hashText } from '@/core/time/noise';
import { Column } from '../controls/Column';
import { Choice } from '../controls/small';
import { useScene } from '../context';
import { useOverride } from './look-adapter';
import { inOrderOfName } from './use-fields';
import { WickFields } from './WickFields';

/** The wick of a lamp's light: its own, so that it fits every scene; it can begin as one of this scene. */
export function PartWickColumn({ ids, part }: { ids: readonly string[]; part: LightPart }) {
  const override = useOverride(ids, part);
  const wicks = useScene(({ scene }) => inOrderOfName(scene.wicks));
  const { wick } = part;
  const choose = (value: string) => {
    if (value === '') return override.commit({ wick: null });
    if (value === 'own') return;
    const from = wicks.find(([id]) => id === value)?.[1];
    override.commit({ wick: from ? { ...from } : newWick({ name: 'Breeze', seed: hashText(part.id) }) });
  };
  const withFields = (fields: Partial<Wick>) => ({ wick: { ...wick!, ...fields } });
  return (
    <Column title="Wick">
      <Choice
        label={override.mark('wick', 'Wick')}
        value={wick ? 'own' : ''}
        differs={override.differs('wick')}
        options={[
          ['', 'None, steady'],
          ...(wick ? ([['own', wick.name]] as const) : []),
          ...wicks.map(([id, { name }]) => [id, `As ${name}`] as const),
          ['new', 'New breeze …'],
        ]}
        onChange={choose}
      />
      {wick && (
        <WickFields
          wick={wick}
          level={part.level}
          reachPx={part.reachPx}
          preview={(fields) => override.preview(withFields(fields))}
          commit={(fields) => override.commit(withFields(fields))}
          cancel={override.cancel}
        />
      )}
    </Column>
  );
}
