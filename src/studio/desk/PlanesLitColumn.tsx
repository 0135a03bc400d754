'use client';
import { Column } from '../controls/Column';
import { Choice } from '../controls/small';
import { useScene } from '../context';
import type { FixtureCollection } from '../store/fixtures';
import { CircuitLetters } from './CircuitLetters';
import { StoppedByRows } from './StoppedByRows';
import { YesOrNo } from './RecordFields';
import { useField, usePlaneOptions } from './use-fields';

/** Which planes and circuits lights or lamps light, and what stops them. */
export function PlanesLitColumn({
  collection,
  ids,
  throwsShadows,
}: {
  collection: FixtureCollection;
  ids: string[];
  throwsShadows: boolean;
}) {
  const planes = usePlaneOptions();
  const far = useField(collection, ids, 'spanFarId', 'Planes lit');
  const near = useField(collection, ids, 'spanNearId', 'Planes lit');
  const circuits = useField(collection, ids, 'circuitIds', 'Circuits');
  const hangs = useScene(({ scene }) => ids.some((id) => scene[collection][id]?.hangsOn));
  const end = (label: string, { value, differs, set }: typeof far, open: string) => (
    <Choice
      label={label}
      value={value ?? ''}
      differs={differs}
      options={[['', open], ...planes]}
      onChange={(id) => set(id === '' ? null : id)}
    />
  );
  return (
    <Column title="Planes lit">
      {end('From', far, 'Farthest plane')}
      {end('To', near, 'Nearest plane')}
      <CircuitLetters label="Feeds" ids={circuits.value} differs={circuits.differs} onChange={circuits.set} />
      {throwsShadows && <StoppedByRows collection={collection} ids={ids} />}
      {hangs && (
        <YesOrNo collection={collection} ids={ids} field="blockedByCarrier" label="Carrier blocks light" />
      )}
    </Column>
  );
}
