'use client';
import { useScene, useStudio } from '../context';
import { pictureUrl } from '../store/server-api';

/** All artworks, each with the state of its relief. */
export function ContactSheet({
  artworkId,
  onChoose,
}: {
  artworkId: string | null;
  onChoose(id: string): void;
}) {
  const studio = useStudio();
  const artworks = useScene((state) =>
    Object.entries(state.scene.artworks)
      .map(([id, { name, imageSha }]) => ({
        id,
        name,
        imageSha,
        isMade: state.scene.reliefs[id] !== undefined,
      }))
      .sort((a, b) => a.name.localeCompare(b.name)),
  );
  return (
    <aside
      aria-label="Contact sheet"
      className="flex min-h-0 flex-col gap-2 overflow-y-auto border-r border-line bg-slate p-2"
    >
      {artworks.map(({ id, name, imageSha, isMade }) => (
        <button
          key={id}
          type="button"
          aria-pressed={artworkId === id}
          title={studio.pictures.faultOf(id) ?? name}
          className="relative flex h-[72px] shrink-0 cursor-pointer flex-col border border-line bg-soot p-1 aria-pressed:border-verdigris"
          onClick={() => onChoose(id)}
        >
          {/* eslint-disable-next-line @next/next/no-img-element -- art is shown pixel for pixel, never resampled by a server */}
          <img src={pictureUrl(imageSha)} alt="" className="pixels min-h-0 w-full flex-1 object-contain" />
          <span className="w-full truncate text-left text-small">{name}</span>
          <span
            title={isMade ? 'relief made' : 'no relief'}
            className={`absolute top-1 right-1 size-[7px] border ${isMade ? 'border-brass bg-brass' : 'border-ash'}`}
          />
        </button>
      ))}
    </aside>
  );
}
