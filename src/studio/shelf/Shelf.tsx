'use client';
/** The shelf: what is ready to be used, by its kinds; taken by a click, or dragged to the stage. */
import type { ComponentType } from 'react';
import { settingsOf } from '@/core/scene/document';
import { FileKey, PICTURE_FILES } from '../controls/FileKey';
import { PanelHead } from '../controls/PanelHead';
import { useDesk, useScene, useStudio } from '../context';
import { binArtworks, deleteLuminaire } from '../store/delete-shared';
import type { ShelfTab } from '../store/desk-store';
import { importPictures, tellReport } from '../store/import-pictures';
import { deleteTable, TABLE_FILES, tryTable } from '../store/look-tables';
import { deleteLook, lookNow } from '../store/looks';
import type { Studio } from '../store/studio';
import { useDayNow } from '../time/use-day-now';
import { Artworks } from './Artworks';
import { Looks } from './Looks';
import { Luminaires } from './Luminaires';
import { Tables } from './Tables';

interface ShelfPart {
  words: string;
  hint: string;
  /** What is brought in there, if anything. */
  files: { words: string; accept: string; bring(studio: Studio, files: File[]): Promise<void> } | null;
  Part: ComponentType;
  /** @returns whether it went */
  delete(studio: Studio, id: string): Promise<boolean> | boolean;
}

const PICTURES: ShelfPart['files'] = {
  words: 'Import pictures',
  accept: PICTURE_FILES,
  bring: async (studio, files) => tellReport(studio, await importPictures(studio, files)),
};

const PARTS: Record<ShelfTab, ShelfPart> = {
  artworks: {
    words: 'Artworks',
    hint: 'click one and stamp it on the stage, or drag it there',
    files: PICTURES,
    Part: Artworks,
    delete: async (studio, id) => {
      await binArtworks(studio, [id]);
      return true;
    },
  },
  luminaires: {
    words: 'Luminaires',
    hint: 'click one and stamp it on the stage, or drag it there',
    files: PICTURES,
    Part: Luminaires,
    delete: deleteLuminaire,
  },
  looks: {
    words: 'Looks',
    hint: 'hover to see one on the stage, click to take it',
    files: null,
    Part: Looks,
    delete: (studio, id) => {
      deleteLook(studio, id);
      return true;
    },
  },
  tables: {
    words: 'Tables',
    hint: 'click one and the colours of the scene go through it',
    files: {
      words: 'Bring in tables',
      accept: TABLE_FILES,
      bring: async (studio, files) => {
        for (const file of files) await tryTable(studio, file, false);
      },
    },
    Part: Tables,
    delete: (studio, id) => {
      deleteTable(studio, id);
      return true;
    },
  },
};

const TAB_WORDS = Object.fromEntries(Object.entries(PARTS).map(([tab, { words }]) => [tab, words])) as Record<
  ShelfTab,
  string
>;

/** The one of each kind that is chosen; null is none of the project's. */
function useChosen(): Record<ShelfTab, string | null> {
  const studio = useStudio();
  return {
    artworks: useDesk((state) => state.artworkId),
    luminaires: useDesk((state) => state.luminaireId),
    looks: useDayNow(() => lookNow(studio)),
    tables: useScene(({ scene }) => settingsOf(scene).tableId),
  };
}

export function Shelf() {
  const studio = useStudio();
  const tab = useDesk((state) => state.shelfTab);
  const isScattering = useDesk(({ tool }) => tool === 'scatter');
  const part = PARTS[tab];
  const chosen = useChosen()[tab];
  const nothingChosen = () => {
    const { tool } = studio.desk.getState();
    studio.desk.setState({
      artworkId: null,
      luminaireId: null,
      ...(tool === 'place' ? { tool: 'pick' } : {}),
    });
  };
  return (
    <aside
      aria-label="Shelf"
      data-layer
      className="floating absolute inset-x-0 bottom-0 z-10 flex max-h-[212px] flex-col border-t border-rail bg-slate px-2 pb-2"
    >
      <PanelHead
        title="Shelf"
        tabs={TAB_WORDS}
        current={tab}
        onTab={(shelfTab) => studio.desk.setState({ shelfTab })}
        onClose={nothingChosen}
      >
        <span className="min-w-0 truncate text-ash">
          {isScattering ? 'click what to scatter, with Ctrl for several' : part.hint}
        </span>
        <span className="flex-1" />
        {chosen !== null && (
          <button
            type="button"
            className="key"
            onClick={async () => {
              if (await part.delete(studio, chosen)) nothingChosen();
            }}
          >
            Delete the chosen one
          </button>
        )}
        {part.files && (
          <FileKey
            accept={part.files.accept}
            multiple
            onFiles={(files) => void part.files!.bring(studio, files)}
          >
            {part.files.words}
          </FileKey>
        )}
      </PanelHead>
      <part.Part />
    </aside>
  );
}
