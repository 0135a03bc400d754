'use client';
import type { ReactNode } from 'react';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { NameField } from '../../controls/NameField';
import { useStore } from 'zustand';
import { wordsOf } from '@/core/faults';
import { plainJob } from '@/core/relief/job';
import { reliefJobOf } from '@/core/scene/relief-job';
import { Column } from '../../controls/Column';
import { Key } from '../../controls/small';
import { useScene, useStudio } from '../../context';
import { download } from '../../store/download';
import { fileName } from '../../store/relief-batch';
import {
  addLayer,
  changeLayer,
  chooseLayer,
  clearStrokes,
  deleteLayer,
  moveLayer,
  reliefOfArtwork,
  setRelief,
  strokeLayer,
} from '../../store/relief-edits';
import { keepReturned } from '../../store/returned';
import { FileKey } from '../../controls/FileKey';

/** The layers of strokes over the recipe, the top one first. */
export function LayerColumn({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const layers = useScene((state) => reliefOfArtwork(state.scene, artworkId).layers);
  const parted = useScene((state) => reliefOfArtwork(state.scene, artworkId).partStrokes.length);
  const counts = useScene((state) => {
    const own: Record<string, number> = {};
    for (const stroke of Object.values(state.scene.strokes))
      if (stroke.artworkId === artworkId) own[stroke.layerId] = (own[stroke.layerId] ?? 0) + 1;
    return own;
  });
  useStore(studio.reliefBench, (state) => state.layerIds[artworkId]);
  const chosen = strokeLayer(studio, artworkId)?.id;
  return (
    <Column title="Layers" aside={<NewLayer onClick={() => addLayer(studio, artworkId)} />} wide>
      <ul
        className="mb-1 max-h-[88px] min-h-[44px] overflow-y-auto border border-line"
        aria-label="Layers of strokes"
      >
        {layers.toReversed().map(({ id, name, hidden }) => (
          <li
            key={id}
            className={`flex h-[22px] items-center gap-1 px-1 ${id === chosen ? 'bg-iron text-chalk' : 'text-ash'}`}
          >
            {id === chosen ? (
              <>
                <NameField
                  name={name}
                  label="Name of the layer"
                  className="min-w-0 flex-1"
                  onChange={(next) => changeLayer(studio, 'Rename', artworkId, id, { name: next })}
                />
                <span className="figure text-dust">{counts[id] ?? 0}</span>
              </>
            ) : (
              <button
                type="button"
                title={name}
                className="min-w-0 flex-1 cursor-pointer truncate text-left"
                onClick={() => chooseLayer(studio, artworkId, id)}
              >
                {name} <span className="figure text-dust">{counts[id] ?? 0}</span>
              </button>
            )}
            <Small name={`Raise ${name}`} onClick={() => moveLayer(studio, artworkId, id, 1)}>
              <ArrowUp size={12} aria-hidden />
            </Small>
            <Small name={`Lower ${name}`} onClick={() => moveLayer(studio, artworkId, id, -1)}>
              <ArrowDown size={12} aria-hidden />
            </Small>
            <Small
              name={`${hidden ? 'Show' : 'Hide'} ${name}`}
              onClick={() =>
                changeLayer(studio, hidden ? 'Show a layer' : 'Hide a layer', artworkId, id, {
                  hidden: !hidden,
                })
              }
            >
              {hidden ? 'hidden' : 'shown'}
            </Small>
            <Small name={`Delete ${name}`} onClick={() => deleteLayer(studio, artworkId, id)}>
              ×
            </Small>
          </li>
        ))}
        {layers.length === 0 && (
          <li className="px-1 py-[2px] text-small text-ash">The first stroke makes a layer.</li>
        )}
      </ul>
      {parted > 0 && (
        <div className="flex h-[22px] items-center justify-between">
          <span className="text-ash">
            {parted} join{parted === 1 ? '' : 's'} and splits
          </span>
          <Small
            name="Delete joins and splits"
            onClick={() => setRelief(studio, 'Delete joins and splits', artworkId, { partStrokes: [] })}
          >
            ×
          </Small>
        </div>
      )}
      <Returned artworkId={artworkId} />
      {layers.length > 0 && (
        <div className="mt-1">
          <Key onClick={() => clearStrokes(studio, artworkId)}>Delete all strokes</Key>
        </div>
      )}
    </Column>
  );
}

function NewLayer({ onClick }: { onClick(): void }) {
  return (
    <button type="button" className="cursor-pointer text-brass" onClick={onClick}>
      New layer
    </button>
  );
}

function Small({ name, children, onClick }: { name: string; children: ReactNode; onClick(): void }) {
  return (
    <button
      type="button"
      aria-label={name}
      className="cursor-pointer px-[2px] text-small text-ash"
      onClick={onClick}
    >
      {children}
    </button>
  );
}

/** Out to a paint program and back: what changed becomes a layer. */
function Returned({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const send = async (kind: 'normals' | 'height') => {
    try {
      const { name, imageSha } = studio.scene.artworks[artworkId];
      const job =
        reliefJobOf(studio.scene, artworkId) ??
        plainJob(imageSha, reliefOfArtwork(studio.scene, artworkId).recipe);
      const files = await studio.workers.run((remote) => remote.sent(fileName(name), job, kind));
      for (const [path, bytes] of Object.entries(files)) download(path, bytes, 'image/png');
    } catch (thrown) {
      studio.say(wordsOf(thrown));
    }
  };
  return (
    <div className="flex flex-wrap gap-1">
      <Key title="The normal map, to be painted on elsewhere" onClick={() => void send('normals')}>
        Export normals
      </Key>
      <Key title="The height map, 16-bit grey" onClick={() => void send('height')}>
        Export height
      </Key>
      <FileKey
        name="Returned map"
        title="What changed in the file becomes a layer of strokes"
        accept="image/png"
        onFiles={([file]) => void keepReturned(studio, artworkId, file)}
      >
        Import painted
      </FileKey>
    </div>
  );
}
