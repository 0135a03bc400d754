'use client';
/** The project's artworks on the shelf: stamped on the stage, dragged there, or scattered. */
import type { MouseEvent } from 'react';
import { framesIn } from '@/core/art/frames';
import { FramePicture } from '../controls/FramePicture';
import { useDesk, useScene, useStudio } from '../context';
import { drag } from './drops';

export function Artworks() {
  const studio = useStudio();
  const tool = useDesk((state) => state.tool);
  const artworkId = useDesk((state) => state.artworkId);
  const strewn = useDesk((state) => state.scatter.artworkIds);
  const artworks = useScene((state) =>
    Object.entries(state.scene.artworks)
      .filter(([, { binned }]) => !binned)
      .map(([id, artwork]) => ({ id, artwork }))
      .sort((a, b) => a.artwork.name.localeCompare(b.artwork.name)),
  );
  const press = (id: string, { ctrlKey, metaKey }: MouseEvent) => {
    if (tool !== 'scatter') return studio.desk.setState({ artworkId: id, luminaireId: null, tool: 'place' });
    const rest = strewn.filter((other) => other !== id);
    const artworkIds = ctrlKey || metaKey ? (strewn.includes(id) ? rest : [...strewn, id]) : [id];
    studio.desk.setState(({ scatter }) => ({ scatter: { ...scatter, artworkIds } }));
  };
  return (
    <ul className="flex flex-wrap gap-2 overflow-y-auto">
      {artworks.map(({ id, artwork }) => (
        <li key={id}>
          <button
            type="button"
            draggable
            aria-pressed={tool === 'scatter' ? strewn.includes(id) : artworkId === id}
            title={`${artwork.name}, ${artwork.widthPx} × ${artwork.heightPx} px`}
            className="flex h-[84px] w-[92px] cursor-pointer flex-col items-center border border-line bg-soot p-1 aria-pressed:border-verdigris"
            onDragStart={drag('artwork', id)}
            onClick={(event) => press(id, event)}
          >
            <span className="flex min-h-0 w-full flex-1 items-center justify-center">
              <FramePicture artwork={artwork} frame={framesIn(artwork)[0]} widthPx={82} heightPx={56} />
            </span>
            <span className="w-full truncate text-left text-small">{artwork.name}</span>
          </button>
        </li>
      ))}
      {artworks.length === 0 && (
        <li className="p-2 text-ash">No artworks yet: drop pictures on the stage.</li>
      )}
    </ul>
  );
}
