'use client';
/** The lookup table that colours go through: chosen, brought in, named, and the whole of the colours written as one. */
import { inOrder } from '@/core/scene/document';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { FileKey } from '../controls/FileKey';
import { NameField } from '../controls/NameField';
import { Choice, Key, Row } from '../controls/small';
import { usePictureTick, useScene, useStudio } from '../context';
import { useField } from '../desk/use-fields';
import { deleteTable, TABLE_FILES, tryTable, writeLookTable } from '../store/look-tables';
import { ItemField } from '../time/ItemField';

const IDS = [SETTINGS_ID];

export function TableValues() {
  const studio = useStudio();
  const field = useField('settings', IDS, 'tableId', 'Table');
  const tables = useScene(({ scene }) => scene.tables);
  const chosen = field.value === null || field.value === undefined ? null : tables[field.value];
  return (
    <>
      <Choice<string>
        label="Which"
        value={field.value ?? ''}
        options={[['', 'none'], ...inOrder(tables).map(([id, { name }]) => [id, name] as const)]}
        onChange={(id) => field.set(id === '' ? null : id)}
      />
      <ItemField item={{ value: 'tableShare' }} isDirect short="Share" />
      <Row label="">
        <FileKey
          accept={TABLE_FILES}
          name="Bring in a table"
          title="A .cube file, or a PNG of n squares of n × n px"
          onFiles={([file]) => void tryTable(studio, file, true)}
        >
          Bring in…
        </FileKey>
        <Key
          title="Tone, grade and table of the scene at this hour, as a .cube of 33 points"
          onClick={() => writeLookTable(studio, 'own', studio.info.name)}
        >
          Write .cube
        </Key>
      </Row>
      {chosen && field.value && <Chosen tableId={field.value} name={chosen.name} />}
    </>
  );
}

function Chosen({ tableId, name }: { tableId: string; name: string }) {
  const studio = useStudio();
  usePictureTick();
  const fault = studio.pictures.tables.faultOf(tableId);
  return (
    <>
      {fault !== null && <p className="text-small text-signal">{fault}</p>}
      <Row label="Name">
        <NameField
          name={name}
          label="Name of the table"
          className="w-full text-right"
          onChange={(next) => studio.set('Rename a table', 'tables', tableId, { name: next })}
        />
      </Row>
      <Row label="">
        <Key onClick={() => deleteTable(studio, tableId)}>Delete</Key>
      </Row>
    </>
  );
}
