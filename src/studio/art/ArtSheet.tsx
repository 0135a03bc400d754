'use client';
import { framesIn } from '@/core/art/frames';
import { useMemo, type MouseEvent } from 'react';
import { useStore } from 'zustand';
import { FileKey, PICTURE_FILES } from '../controls/FileKey';
import { Key } from '../controls/small';
import { useScene, useStudio } from '../context';
import { setArtworks } from '../store/art-edits';
import { pickedBy } from '../store/desk-store';
import { FramePicture } from '../controls/FramePicture';
import { artRows, countWords, type ArtRow } from './art-list';
import { binArtworks, emptyBin } from '../store/delete-shared';

const THUMB = { widthPx: 80, heightPx: 50 };

/** All artworks of the project: searched by name and tag, picked, put into the bin and taken out again. */
export function ArtSheet({
  artworkId,
  onChoose,
  onFiles,
}: {
  artworkId: string | null;
  onChoose(id: string): void;
  onFiles(files: File[]): void;
}) {
  const studio = useStudio();
  const { search, showBin, picked } = useStore(studio.artBench);
  const artworks = useScene((state) => state.scene.artworks);
  const { sprites, planes, lamps, luminaires } = useScene(({ scene }) => ({
    sprites: scene.sprites,
    planes: scene.planes,
    lamps: scene.lamps,
    luminaires: scene.luminaires,
  }));
  const rows = useMemo(
    () => artRows({ artworks, sprites, planes, lamps, luminaires }, search, showBin),
    [artworks, sprites, planes, lamps, luminaires, search, showBin],
  );
  const binned = Object.values(artworks).filter((artwork) => artwork.binned).length;
  const ids = picked.size > 0 ? [...picked] : artworkId === null ? [] : [artworkId];
  const press = (event: MouseEvent, id: string) => {
    const rowIds = rows.map((row) => row.id);
    const next = pickedBy(event, rowIds, artworkId, id, picked);
    studio.artBench.setState({ picked: next ?? new Set() });
    if (!next) onChoose(id);
  };
  const bin = (into: boolean) => {
    if (into) void binArtworks(studio, ids);
    else setArtworks(studio, `Restore ${ids.length}`, ids, () => ({ binned: false }));
    studio.artBench.setState({ picked: new Set() });
  };
  return (
    <aside aria-label="Contact sheet" className="flex min-h-0 flex-col border-r border-line bg-slate">
      <div className="flex items-center gap-2 border-b border-line px-2 py-1">
        <input
          type="search"
          aria-label="Search artworks"
          placeholder="Search names and tags"
          className="field min-w-0 flex-1"
          value={search}
          onChange={(event) => studio.artBench.setState({ search: event.currentTarget.value })}
          onKeyDown={(event) => event.stopPropagation()}
        />
        <button
          type="button"
          aria-pressed={showBin}
          className="cursor-pointer text-small text-brass aria-pressed:text-chalk"
          onClick={() => studio.artBench.setState({ showBin: !showBin, picked: new Set() })}
        >
          Bin: {binned}
        </button>
      </div>
      <div className="grid min-h-0 flex-1 auto-rows-[78px] grid-cols-2 gap-2 overflow-y-auto p-2">
        {rows.map((row) => (
          <Frame
            key={row.id}
            row={row}
            isShown={row.id === artworkId}
            isPicked={picked.has(row.id)}
            onPress={(event) => press(event, row.id)}
          />
        ))}
        {rows.length === 0 && (
          <p className="col-span-2 text-ash">
            {showBin
              ? 'The bin is empty.'
              : search
                ? 'Nothing has these words.'
                : 'No artworks yet: drop pictures.'}
          </p>
        )}
      </div>
      <div className="flex items-center gap-1 border-t border-line p-2">
        <FileKey
          accept={PICTURE_FILES}
          multiple
          title="PNG, GIF, WebP or JPEG files, or layered paintings; maps find their art by the suffix of their names"
          onFiles={onFiles}
        >
          Import
        </FileKey>
        <span className="flex-1" />
        {showBin && binned > 0 && <Key onClick={() => void emptyBin(studio)}>Empty</Key>}
        <Key disabled={ids.length === 0} onClick={() => bin(!showBin)}>
          {showBin ? 'Restore' : 'Bin'}
          {picked.size > 0 ? ` ${picked.size}` : ''}
        </Key>
      </div>
    </aside>
  );
}

function Frame({
  row: { artwork, frames, uses },
  isShown,
  isPicked,
  onPress,
}: {
  row: ArtRow;
  isShown: boolean;
  isPicked: boolean;
  onPress(event: MouseEvent): void;
}) {
  const { name, tags } = artwork;
  const used =
    uses === 0 ? 'not used in this scene' : `used ${uses === 1 ? 'once' : `${uses} times`} in this scene`;
  const about = [`${name}: ${countWords(frames)}`, used, ...tags];
  return (
    <button
      type="button"
      aria-pressed={isShown}
      aria-label={about.join('; ')}
      title={about.join('\n')}
      data-picked={isPicked}
      className="relative flex cursor-pointer flex-col border border-line bg-soot p-1 aria-pressed:border-verdigris data-[picked=true]:bg-iron"
      onClick={onPress}
    >
      <span className="flex min-h-0 w-full flex-1 items-center justify-center">
        <FramePicture artwork={artwork} frame={framesIn(artwork)[0]} {...THUMB} />
      </span>
      <span className="flex w-full items-center gap-1 text-small">
        <span className="min-w-0 flex-1 truncate text-left">{name}</span>
        {frames > 1 && <span data-figure={frames} className="figure counted text-ash" />}
      </span>
      {uses > 0 && (
        <span data-figure={uses} className="figure counted absolute top-0 right-1 text-brass" title={used} />
      )}
      {isPicked && <span className="absolute top-1 left-1 size-[7px] bg-verdigris" />}
    </button>
  );
}
