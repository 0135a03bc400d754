'use client';
import type { MouseEvent } from 'react';
import { readyLuminaire, type ReadyLuminaireId } from '@/ready/all-luminaires';
import { framesIn } from '@/core/art/frames';
import { FileKey, PICTURE_FILES } from '../controls/FileKey';
import { PanelHead } from '../controls/PanelHead';
import { PaintPicture } from '../controls/PaintPicture';
import { FramePicture } from '../controls/FramePicture';
import { useDesk, useScene, useStudio } from '../context';
import { binArtworks, deleteLuminaire } from '../store/delete-shared';
import { bringLuminaire, luminairesToCome } from '../store/ready-luminaires';
import { importPictures, tellReport } from '../store/import-pictures';

/** What is dragged from the shelf to the stage, by its kind. */
export const DRAGGED_ARTWORK = 'application/x-oilwick-artwork';
export const DRAGGED_LUMINAIRE = 'application/x-oilwick-luminaire';

const TAB_WORDS = { artworks: 'Artworks', luminaires: 'Luminaires' };

/** The project's artworks and luminaires, ready to be put on the stage by a click or a drag. */
export function Shelf() {
  const studio = useStudio();
  const tab = useDesk((state) => state.shelfTab);
  const tool = useDesk((state) => state.tool);
  const artworkId = useDesk((state) => state.artworkId);
  const luminaireId = useDesk((state) => state.luminaireId);
  const bringIn = async (files: File[]) => {
    tellReport(studio, await importPictures(studio, files));
  };
  const chosen = tab === 'artworks' ? artworkId : luminaireId;
  const deleteChosen = async () => {
    if (tab === 'artworks') await binArtworks(studio, [chosen!]);
    else if (!(await deleteLuminaire(studio, chosen!))) return;
    studio.desk.setState({ artworkId: null, luminaireId: null, tool: 'pick' });
  };
  return (
    <aside
      aria-label="Shelf"
      data-layer
      className="floating absolute inset-x-0 bottom-0 z-10 flex max-h-[196px] flex-col border-t border-rail bg-slate px-2 pb-2"
    >
      <PanelHead
        title="Shelf"
        tabs={TAB_WORDS}
        current={tab}
        onTab={(name) => studio.desk.setState({ shelfTab: name })}
        onClose={() =>
          studio.desk.setState({
            artworkId: null,
            luminaireId: null,
            ...(tool === 'place' ? { tool: 'pick' } : {}),
          })
        }
      >
        <span className="min-w-0 truncate text-ash">
          {tool === 'scatter'
            ? 'click what to scatter, with Ctrl for several'
            : 'click one and stamp it on the stage, or drag it there'}
        </span>
        <span className="flex-1" />
        {chosen && (
          <button type="button" className="key" onClick={() => void deleteChosen()}>
            Delete the chosen one
          </button>
        )}
        <FileKey accept={PICTURE_FILES} multiple onFiles={(files) => void bringIn(files)}>
          Import pictures
        </FileKey>
      </PanelHead>
      {tab === 'artworks' ? <Artworks /> : <Luminaires />}
    </aside>
  );
}

function Artworks() {
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
            onDragStart={(event) => event.dataTransfer.setData(DRAGGED_ARTWORK, id)}
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

function Luminaires() {
  const studio = useStudio();
  const luminaireId = useDesk((state) => state.luminaireId);
  const luminaires = useScene(({ scene }) =>
    Object.entries(scene.luminaires)
      .map(([id, { name, lights, flames }]) => ({
        id,
        name,
        colours: lights.map(({ colour }) => colour),
        flame: flames[0] ? (scene.artworks[flames[0].artworkId] ?? null) : null,
        count: Object.values(scene.lamps).filter((lamp) => lamp.luminaireId === id).length,
      }))
      .sort((a, b) => a.name.localeCompare(b.name)),
  );
  const toCome = useScene(() => luminairesToCome(studio));
  return (
    <ul className="flex flex-wrap gap-2 overflow-y-auto">
      {luminaires.map(({ id, name, colours, flame, count }) => (
        <li key={id}>
          <button
            type="button"
            draggable
            aria-pressed={luminaireId === id}
            title={`${name}: ${count} in this scene`}
            className="flex h-[84px] w-[92px] cursor-pointer flex-col border border-line bg-soot p-1 aria-pressed:border-verdigris"
            onDragStart={(event) => event.dataTransfer.setData(DRAGGED_LUMINAIRE, id)}
            onClick={() => studio.desk.setState({ luminaireId: id, artworkId: null, tool: 'place' })}
          >
            <span className="flex min-h-0 flex-1 items-center justify-center gap-2">
              {flame && (
                <FramePicture artwork={flame} frame={framesIn(flame)[0]} widthPx={40} heightPx={48} />
              )}
              {colours.slice(0, 4).map((colour, i) => (
                <span key={i} className="size-[12px] rotate-45" style={{ background: colour }} />
              ))}
            </span>
            <span className="flex w-full justify-between gap-1 text-small">
              <span className="truncate">{name}</span>
              <span className="figure text-ash">{count}</span>
            </span>
          </button>
        </li>
      ))}
      {toCome.map((id) => (
        <ReadyOne key={id} id={id} />
      ))}
    </ul>
  );
}

/** A luminaire that comes with Oilwick: the project has it from the moment in which it is used. */
function ReadyOne({ id }: { id: ReadyLuminaireId }) {
  const studio = useStudio();
  const { name, lights, pictures } = readyLuminaire(id);
  const [first] = Object.values(pictures);
  const choose = async () => {
    if (await bringLuminaire(studio, id))
      studio.desk.setState({ luminaireId: id, artworkId: null, tool: 'place' });
  };
  return (
    <li>
      <button
        type="button"
        draggable
        title={`${name}: comes with Oilwick`}
        className="flex h-[84px] w-[92px] cursor-pointer flex-col border border-dashed border-line bg-soot p-1"
        onDragStart={(event) => event.dataTransfer.setData(DRAGGED_LUMINAIRE, id)}
        onClick={() => void choose()}
      >
        <span className="flex min-h-0 flex-1 items-center justify-center gap-2">
          <PaintPicture draw={first} widthPx={56} heightPx={48} />
          {lights.map(({ id: lightId, colour }) => (
            <span key={lightId} className="size-[8px] rotate-45" style={{ background: colour }} />
          ))}
        </span>
        <span className="w-full truncate text-left text-small">{name}</span>
      </button>
    </li>
  );
}
