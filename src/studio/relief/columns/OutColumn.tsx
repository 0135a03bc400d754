'use client';
import { useStore } from 'zustand';
import { wordsOf } from '@/core/faults';
import { checkNames, MAP_OPTIONS, mapName } from '@/core/handoff/maps';
import { OptionRows } from '../../controls/OptionRows';
import { Column } from '../../controls/Column';
import { Key } from '../../controls/small';
import { useScene, useStudio } from '../../context';
import { fileName, saveMaps } from '../../store/relief-batch';

/** Which maps leave, and how. */
export function OutColumn({ artworkId, picked }: { artworkId: string; picked: readonly string[] }) {
  const studio = useStudio();
  const name = useScene((state) => state.scene.artworks[artworkId]?.name ?? '');
  const options = useStore(studio.exportOptions, ({ maps }) => maps);
  let fault: string | null = null;
  try {
    checkNames(options);
  } catch (thrown) {
    fault = wordsOf(thrown);
  }
  const said =
    fault ?? options.maps.map((kind) => `${mapName(options, fileName(name), kind)}.png`).join(', ');
  const save = (ids: readonly string[]) =>
    saveMaps(studio, ids, options).catch((thrown: unknown) => studio.say(wordsOf(thrown)));
  return (
    <Column
      title="Export"
      wide="very"
      aside={
        <span
          className={`figure block w-[236px] truncate text-right ${fault ? 'text-signal' : ''}`}
          title={said}
        >
          {said}
        </span>
      }
    >
      <OptionRows
        options={MAP_OPTIONS}
        values={{ ...options }}
        onChange={(values) => studio.exportOptions.setState({ maps: { ...options, ...values } })}
      />
      <div className="flex flex-wrap gap-1">
        <Key disabled={fault !== null} onClick={() => void save([artworkId])}>
          {options.maps.length === 1 && options.maps[0] === 'normals' ? 'Save normal map' : 'Save its maps'}
        </Key>
        <Key disabled={fault !== null || picked.length === 0} onClick={() => void save(picked)}>
          Save {picked.length} picked
        </Key>
      </div>
    </Column>
  );
}
