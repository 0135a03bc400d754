'use client';
import { useMemo, type MouseEvent } from 'react';
import { useStore } from 'zustand';
import type { Remark } from '@/core/relief/remarks';
import { reliefStateOf, type ReliefState } from '@/core/scene/relief-job';
import { usePictureTick, useScene, useStudio } from '../context';
import { blobUrl } from '../store/server-api';
import { isFound } from '../store/art-search';
import { pickedBy } from '../store/desk-store';
import { FileKey, PICTURE_FILES } from '../controls/FileKey';

export const STATE_WORDS: Record<ReliefState, string> = {
  none: 'no relief',
  made: 'made',
  painted: 'painted',
  borrowed: 'borrowed',
  imported: 'imported',
  'out-of-date': 'out of date',
};

export const REMARK_WORDS: Record<Remark, string> = {
  empty: 'empty: every pixel is transparent',
  flat: 'flat: most normals point straight up',
  wild: 'wild: many steep normals',
  'tone-led': 'tone-led: the body has no part in it, colours decide the shape',
  torn: 'torn: facings that no surface could have',
  'odd-size': 'odd size: the cells of the sheet leave something over',
  'orientation-doubtful': 'orientation doubtful: neither curl nor border says which way green points',
};

/** What fits beside a name, where the remark itself does not. */
const SHORT_REMARKS: Partial<Record<Remark, string>> = { 'orientation-doubtful': 'Y up?' };

const STATE_LETTERS: Record<ReliefState, string> = {
  none: '',
  made: '',
  painted: 'P',
  borrowed: 'B',
  imported: 'I',
  'out-of-date': '!',
};

interface Row {
  id: string;
  name: string;
  imageSha: string;
  state: ReliefState;
}

/** All artworks, each with the state of its relief and what is to be remarked on it. Several can be picked at once. */
export function ContactSheet({
  artworkId,
  onChoose,
  onFiles,
}: {
  artworkId: string | null;
  onChoose(id: string): void;
  onFiles(files: File[]): void;
}) {
  const studio = useStudio();
  const tick = usePictureTick();
  const picked = useStore(studio.reliefBench, (state) => state.picked);
  const search = useStore(studio.reliefBench, (state) => state.search);
  const artworks = useScene((state) => state.scene.artworks);
  const reliefs = useScene((state) => state.scene.reliefs);
  const strokes = useScene((state) => state.scene.strokes);
  const rows = useMemo((): Row[] => {
    const painted = new Set(Object.values(strokes).map((stroke) => stroke.artworkId));
    const records = { artworks, reliefs, strokes };
    return Object.entries(artworks)
      .filter(([, artwork]) => !artwork.binned && isFound(artwork, search))
      .map(([id, { name, imageSha }]) => ({
        id,
        name,
        imageSha,
        state: reliefStateOf(records, id, (of) => painted.has(of)),
      }))
      .sort((a, b) => a.name.localeCompare(b.name));
  }, [artworks, reliefs, strokes, search]);
  void tick;
  const press = (event: MouseEvent, id: string) => {
    const rowIds = rows.map((row) => row.id);
    const next = pickedBy(event, rowIds, artworkId, id, picked);
    if (next) studio.reliefBench.setState({ picked: next });
    else onChoose(id);
  };
  const made = rows.filter(({ state }) => state !== 'none').length;
  return (
    <aside aria-label="Contact sheet" className="flex min-h-0 flex-col border-r border-line bg-slate">
      <input
        type="search"
        aria-label="Search artworks"
        placeholder="Search"
        className="field mx-1 mt-1"
        value={search}
        onChange={(event) => studio.reliefBench.setState({ search: event.currentTarget.value })}
        onKeyDown={(event) => event.stopPropagation()}
      />
      <div className="flex items-center justify-between border-b border-line px-2 py-1 text-small text-ash">
        <span>
          {made} of {rows.length} made
        </span>
        <button
          type="button"
          className="cursor-pointer text-brass"
          title="Ctrl and click picks one more, Shift and click a row of them"
          onClick={() =>
            studio.reliefBench.setState({
              picked: picked.size === rows.length ? new Set() : new Set(rows.map(({ id }) => id)),
            })
          }
        >
          {picked.size === rows.length && rows.length > 0 ? 'none' : 'all'}
        </button>
      </div>
      <div className="flex min-h-0 flex-1 flex-col gap-2 overflow-y-auto p-2">
        {rows.map(({ id, name, imageSha, state }) => (
          <Frame
            key={id}
            name={name}
            imageSha={imageSha}
            state={state}
            fault={studio.pictures.faultOf(id)}
            remarks={studio.pictures.remarksOf(id)}
            isShown={id === artworkId}
            isPicked={picked.has(id)}
            onPress={(event) => press(event, id)}
          />
        ))}
      </div>
      <FileKey
        accept={PICTURE_FILES}
        multiple
        className="key m-2 text-center"
        title="PNG files, or layered paintings; maps find their art by the suffix of their names"
        onFiles={onFiles}
      >
        Import
      </FileKey>
    </aside>
  );
}

function Frame({
  name,
  imageSha,
  state,
  fault,
  remarks,
  isShown,
  isPicked,
  onPress,
}: Omit<Row, 'id'> & {
  fault: string | null;
  remarks: readonly Remark[];
  isShown: boolean;
  isPicked: boolean;
  onPress(event: MouseEvent): void;
}) {
  const about = [`${name}: ${STATE_WORDS[state]}`, ...remarks.map((remark) => REMARK_WORDS[remark])];
  if (fault) about.push(fault);
  const isBad = fault !== null || state === 'out-of-date';
  return (
    <button
      type="button"
      aria-pressed={isShown}
      aria-label={about.join('; ')}
      title={about.join('\n')}
      data-picked={isPicked}
      className="relative flex h-[72px] shrink-0 cursor-pointer flex-col border border-line bg-soot p-1 aria-pressed:border-verdigris data-[picked=true]:bg-iron"
      onClick={onPress}
    >
      {/* eslint-disable-next-line @next/next/no-img-element -- art is shown pixel for pixel, never resampled by a server */}
      <img src={blobUrl(imageSha)} alt="" className="pixels min-h-0 w-full flex-1 object-contain" />
      <span className="flex w-full items-center gap-1 text-small">
        <span className="min-w-0 flex-1 truncate text-left">{name}</span>
        {remarks.length > 0 && (
          <span className="shrink-0 text-ash">{SHORT_REMARKS[remarks[0]] ?? remarks[0]}</span>
        )}
      </span>
      <span
        className={`absolute top-1 right-1 flex size-[11px] items-center justify-center border text-[9px] leading-none ${
          isBad
            ? 'border-signal text-signal'
            : state === 'none'
              ? 'border-ash text-ash'
              : 'border-brass bg-brass text-soot'
        }`}
      >
        {fault ? '!' : STATE_LETTERS[state]}
      </span>
      {isPicked && <span className="absolute top-1 left-1 size-[7px] bg-verdigris" />}
    </button>
  );
}
