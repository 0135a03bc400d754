'use client';
import type { Wick } from '@/core/scene/records/wick';
import type { LightPart } from '@/core/scene/records/luminaire';
import { Column } from '../controls/Column';
import { useStudio } from '../context';
import { useOverride } from './look-adapter';
import { readyWick } from '../store/wick-edits';
import { WickChoice, type ChosenWick } from './WickChoice';
import { WickKindFields, type WickFieldsProps } from './WickFields';
import { WickOutputColumn } from './WickOutputColumn';

/** The wick of a lamp's light: its own, so that it fits every scene; it can begin as one of this scene. */
export function PartWickColumn({ ids, part }: { ids: readonly string[]; part: LightPart }) {
  const studio = useStudio();
  const override = useOverride(ids, part);
  const { wick } = part;
  const choose = (chosen: ChosenWick) => {
    if (chosen.kind === 'none') return override.commit({ wick: null });
    if (chosen.kind === 'ready') return override.commit({ wick: readyWick(chosen.place, part.id) });
    const from = studio.scene.wicks[chosen.id];
    if (from) override.commit({ wick: { ...from } });
  };
  const given = (fields: Partial<Wick>) => (shown: LightPart) =>
    shown.wick ? { wick: { ...shown.wick, ...fields } } : {};
  const props: WickFieldsProps | null = wick && {
    ...{ wick, level: part.level, reachPx: part.reachPx, cancel: override.cancel },
    preview: (fields) => override.preview(given(fields)),
    commit: (fields) => override.commit(given(fields)),
  };
  return (
    <>
      <Column title="Wick">
        <WickChoice
          label={override.mark('wick', 'Wick')}
          value={wick ? 'own' : null}
          differs={override.differs('wick')}
          own={wick?.name}
          onChoose={choose}
        />
        {props && <WickKindFields {...props} />}
      </Column>
      {props && <WickOutputColumn {...props} />}
    </>
  );
}
