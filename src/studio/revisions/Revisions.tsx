'use client';
/** Earlier states of the scene: each is looked at under the wipe, named, restored, or made a scene of its own. */
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import type { RevisionEntry } from '@/core/scene/changes';
import { NameField } from '../controls/NameField';
import { useDesk, useStudio, useSync } from '../context';
import { ownPerson } from '../store/person';
import { revisionPictureUrl } from '../store/server-api';
import { showWipe } from '../commands/wipe-views';
import { LIT, type WipeView } from '../store/wipe';
import { changedWords, listedRevisions } from './listed';

type ShownWay = 'look' | 'compare';

/** The two ways in which a revision is shown on the stage, and their keys. */
const SHOWN: readonly { way: ShownWay; key: string; label: string; hint: string }[] = [
  { way: 'look', key: 'Look', label: 'Look at', hint: 'The whole stage as it was then' },
  { way: 'compare', key: 'Compare', label: 'Compare with', hint: 'As it was then, left of the edge' },
];

export function Revisions() {
  const studio = useStudio();
  const { revisions } = studio;
  const entries = useStore(revisions.api, (state) => state.entries);
  const hasMore = useStore(revisions.api, (state) => state.hasMore);
  const isSaved = useSync().kind === 'saved';
  // What is saved while it is open comes into the list.
  useEffect(() => {
    if (isSaved) void revisions.list();
  }, [revisions, isSaved]);
  const [isWhole, setWhole] = useState(false);
  const listed =
    entries && (isWhole ? entries.map((entry) => ({ entry, folded: 0 })) : listedRevisions(entries));
  return (
    <>
      <ol
        aria-label="Revisions of the scene"
        className="min-h-0 flex-1 overflow-y-auto px-2 [scrollbar-width:thin]"
      >
        {listed?.map(({ entry, folded }) => (
          <RevisionItem key={entry.revision} entry={entry} folded={folded} />
        ))}
        {!listed && <li className="text-ash">Reading the list …</li>}
        {hasMore && (
          <li className="py-2">
            <button type="button" className="key" onClick={() => void revisions.listMore()}>
              Older ones
            </button>
          </li>
        )}
      </ol>
      <div className="p-2">
        <button type="button" className="key" aria-pressed={isWhole} onClick={() => setWhole(!isWhole)}>
          Every save by itself
        </button>
      </div>
    </>
  );
}

function RevisionItem({ entry, folded }: { entry: RevisionEntry; folded: number }) {
  const studio = useStudio();
  const { revision, madeAt, author, name, hasPicture } = entry;
  const shown = useDesk(({ wipe }) => {
    const isHere = (view: WipeView | undefined) => view?.view === 'revision' && view.revision === revision;
    return !isHere(wipe?.left) ? null : isHere(wipe?.right) ? 'look' : 'compare';
  });
  const show = (way: ShownWay) => {
    const view: WipeView = { view: 'revision', revision };
    if (shown === way) studio.desk.setState({ wipe: null });
    else showWipe(studio, { left: view, right: way === 'look' ? view : LIT });
  };
  const who = author === null ? null : author.id === ownPerson().id ? 'you' : author.name || 'someone';
  const branch = async () => {
    const id = await studio.revisions.branch(
      revision,
      `${studio.info.name}, ${studio.revisions.wordsOf(revision)}`,
    );
    if (id) window.open(`/scenes/${id}`, '_blank', 'noopener');
  };
  return (
    <li className="flex gap-2 border-b border-line py-2">
      <div
        role="img"
        aria-label={hasPicture ? `Picture of revision ${revision}` : `Revision ${revision} has no picture`}
        className="pixels h-[45px] w-[80px] shrink-0 border border-line bg-soot bg-contain bg-center bg-no-repeat"
        style={
          hasPicture ? { backgroundImage: `url(${revisionPictureUrl(studio.info.id, revision)})` } : undefined
        }
      />
      <div className="min-w-0 flex-1">
        <NameField
          name={name ?? ''}
          label={`Name of revision ${revision}`}
          placeholder={`Revision ${revision}`}
          mayBeEmpty
          className="w-full"
          onChange={(next) => void studio.revisions.rename(revision, next)}
        />
        <p className="truncate text-small text-ash" title={new Date(madeAt).toLocaleString('en-GB')}>
          {timeText(madeAt)}
          {who && ` · ${who}`} · {changedWords(entry, folded)}
        </p>
        <div className="mt-1 flex gap-1">
          {SHOWN.map(({ way, key, label, hint }) => (
            <button
              key={way}
              type="button"
              className="key"
              aria-pressed={shown === way}
              aria-label={`${label} revision ${revision}`}
              title={hint}
              onClick={() => show(way)}
            >
              {key}
            </button>
          ))}
          <button
            type="button"
            className="key"
            aria-label={`Restore revision ${revision}`}
            title="The scene becomes as it was then; the step can be undone, and nothing between is lost"
            onClick={() => void studio.revisions.restore(revision)}
          >
            Restore
          </button>
          <button
            type="button"
            className="key"
            aria-label={`Branch off revision ${revision}`}
            title="A new scene that begins as this one was then"
            onClick={() => void branch()}
          >
            Branch
          </button>
        </div>
      </div>
    </li>
  );
}

function timeText(iso: string): string {
  const date = new Date(iso);
  const isToday = date.toDateString() === new Date().toDateString();
  const time = date.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
  return isToday ? time : `${date.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })} ${time}`;
}
