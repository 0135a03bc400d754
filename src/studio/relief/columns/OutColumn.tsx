'use client';
import { useState } from 'react';
import { wordsOf } from '@/core/faults';
import {
  checkNames,
  MAP_KINDS,
  mapName,
  USUAL_OUTPUT,
  type MapKind,
  type OutputOptions,
} from '@/core/handoff/maps';
import { Choice, Column, Key, Row } from '../../controls/small';
import { useScene, useStudio } from '../../context';
import { fileName, saveMaps } from '../../store/relief-batch';

const MAP_WORDS: Record<MapKind, string> = {
  normals: 'Normals',
  height: 'Height',
  rim: 'Rim',
  occlusion: 'Occlusion',
  glow: 'Glow',
};

/** Which maps leave, and how. */
export function OutColumn({ artworkId, picked }: { artworkId: string; picked: readonly string[] }) {
  const studio = useStudio();
  const name = useScene((state) => state.scene.artworks[artworkId]?.name ?? '');
  const [options, setOptions] = useState<OutputOptions>(USUAL_OUTPUT);
  const set = (fields: Partial<OutputOptions>) => setOptions((last) => ({ ...last, ...fields }));
  let fault: string | null = null;
  try {
    checkNames(options);
  } catch (thrown) {
    fault = wordsOf(thrown);
  }
  const save = (ids: readonly string[]) =>
    saveMaps(studio, ids, options).catch((thrown: unknown) => studio.say(wordsOf(thrown)));
  const toggle = (kind: MapKind) => {
    const maps = MAP_KINDS.filter((k) => (k === kind ? !options.maps.includes(k) : options.maps.includes(k)));
    if (maps.length > 0) set({ maps });
  };
  return (
    <Column title="Out" wide="very">
      <div className="mb-1 flex flex-wrap gap-x-2" role="group" aria-label="Maps that leave">
        {MAP_KINDS.map((kind) => (
          <button
            key={kind}
            type="button"
            aria-pressed={options.maps.includes(kind)}
            className={`cursor-pointer border-b ${options.maps.includes(kind) ? 'border-verdigris text-chalk' : 'border-transparent text-ash'}`}
            onClick={() => toggle(kind)}
          >
            {MAP_WORDS[kind]}
          </button>
        ))}
      </div>
      <div className="grid grid-cols-2 gap-x-3">
        <Choice<'up' | 'down'>
          label="Green"
          value={options.yUp ? 'up' : 'down'}
          options={[
            ['up', 'Y up'],
            ['down', 'Y down'],
          ]}
          onChange={(way) => set({ yUp: way === 'up' })}
        />
        <Choice<'8' | '16'>
          label="Depth"
          value={options.depth === 8 ? '8' : '16'}
          options={[
            ['8', '8 bit'],
            ['16', '16 bit'],
          ]}
          onChange={(depth) => set({ depth: depth === '8' ? 8 : 16 })}
        />
        <Choice<'with' | 'without'>
          label="Alpha"
          value={options.alpha ? 'with' : 'without'}
          options={[
            ['with', "The art's"],
            ['without', 'None'],
          ]}
          onChange={(way) => set({ alpha: way === 'with' })}
        />
        <Choice<OutputOptions['padding']>
          label="Beyond"
          value={options.padding}
          options={[
            ['outward', 'Carried'],
            ['flat', 'Flat'],
          ]}
          onChange={(padding) => set({ padding })}
        />
      </div>
      <Row label="Names">
        <input
          aria-label="Names of the files"
          title="* is the name of the art, ? the suffix of the map; a slash makes a folder"
          className="field figure min-w-0 flex-1 border-line px-1 text-right"
          value={options.names}
          onChange={(event) => set({ names: event.currentTarget.value })}
          onKeyDown={(event) => event.stopPropagation()}
        />
      </Row>
      <p
        className={`figure truncate text-right ${fault ? 'text-signal' : 'text-ash'}`}
        title={fault ?? undefined}
      >
        {fault ?? options.maps.map((kind) => `${mapName(options, fileName(name), kind)}.png`).join(', ')}
      </p>
      <div className="mt-1 flex flex-wrap gap-1">
        <Key disabled={fault !== null} onClick={() => void save([artworkId])}>
          {options.maps.length === 1 && options.maps[0] === 'normals' ? 'Save normal map' : 'Save its maps'}
        </Key>
        <Key disabled={fault !== null || picked.length === 0} onClick={() => void save(picked)}>
          Save of {picked.length} picked
        </Key>
      </div>
    </Column>
  );
}
