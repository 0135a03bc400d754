'use client';
import { useState } from 'react';
import { useDesk, useScene, useStudio } from '../context';
import { importPictures, wordsOfReport } from '../store/import-pictures';
import { pictureUrl } from '../store/server-api';
import { deleteEdits } from '../store/delete-edits';
import { FileKey, PICTURE_FILES } from '../controls/FileKey';

/** The project's artworks, ready to be put on the stage by a click or a drag. */
export function Shelf() {
  const studio = useStudio();
  const artworkId = useDesk((state) => state.artworkId);
  const artworks = useScene((state) =>
    Object.entries(state.scene.artworks)
      .filter(([, { binned }]) => !binned)
      .map(([id, { name, imageSha, widthPx, heightPx }]) => ({ id, name, imageSha, widthPx, heightPx }))
      .sort((a, b) => a.name.localeCompare(b.name)),
  );
  const [busy, setBusy] = useState<string | null>(null);
  const bringIn = async (files: File[]) => {
    const report = await importPictures(studio, files, (done, all) => setBusy(`${done} of ${all}`));
    setBusy(null);
    studio.say(wordsOfReport(report));
  };
  return (
    <aside
      aria-label="Shelf"
      className="absolute inset-x-0 bottom-0 z-10 flex max-h-[196px] flex-col border-t border-rail bg-slate/95 p-2"
    >
      <div className="mb-2 flex items-center gap-2">
        <h2 className="text-plain">Shelf</h2>
        <span className="text-ash">
          {artworks.length} artworks; click one and stamp it on the stage, or drag it there
        </span>
        <span className="flex-1" />
        {busy && <span role="status">{busy}</span>}
        {artworkId && (
          <button
            type="button"
            className="key"
            onClick={() => {
              studio.scenes.transact({
                label: 'Delete an artwork',
                edits: deleteEdits(studio, [{ collection: 'artworks', id: artworkId }]),
              });
              studio.desk.setState({ artworkId: null, tool: 'pick' });
            }}
          >
            Delete the chosen one
          </button>
        )}
        <FileKey accept={PICTURE_FILES} multiple onFiles={(files) => void bringIn(files)}>
          Bring in pictures
        </FileKey>
        <button
          type="button"
          className="key"
          onClick={() => studio.desk.setState({ shelfOpen: false, tool: 'pick', artworkId: null })}
        >
          Close
        </button>
      </div>
      <ul className="flex flex-wrap gap-2 overflow-y-auto">
        {artworks.map(({ id, name, imageSha, widthPx, heightPx }) => (
          <li key={id}>
            <button
              type="button"
              draggable
              aria-pressed={artworkId === id}
              title={`${name}, ${widthPx} × ${heightPx} px`}
              className="flex h-[84px] w-[92px] cursor-pointer flex-col border border-line bg-soot p-1 aria-pressed:border-verdigris"
              onDragStart={(event) => event.dataTransfer.setData('application/x-oilwick-artwork', id)}
              onClick={() => studio.desk.setState({ artworkId: id, tool: 'place' })}
            >
              {/* eslint-disable-next-line @next/next/no-img-element -- art is shown pixel for pixel, never resampled by a server */}
              <img
                src={pictureUrl(imageSha)}
                alt=""
                className="pixels min-h-0 w-full flex-1 object-contain"
              />
              <span className="w-full truncate text-small">{name}</span>
            </button>
          </li>
        ))}
        {artworks.length === 0 && (
          <li className="p-2 text-ash">No artworks yet: drop pictures on the stage.</li>
        )}
      </ul>
    </aside>
  );
}
