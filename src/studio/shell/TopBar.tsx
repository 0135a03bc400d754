'use client';
import Link from 'next/link';
import { useDesk, useLive, useScene, useStudio, useSync } from '../context';
import { commandOf, titleOf } from '../commands/all-commands';
import { keyText } from '../commands/key-text';
import { benchFacts, BENCHES } from '../store/benches';
import { setWipeSide, WIPE_VIEW_NAMES, wipeKind } from '../commands/wipe-views';
import type { WipeViewName } from '../store/wipe';
import type { SyncState } from '../store/sync';
import { BenchLink } from '../controls/BenchLink';
import { ThemeKey } from '../controls/ThemeKey';
import { Aside } from './Aside';
import { People } from './People';
import { Snags } from './Snags';

export function TopBar() {
  const studio = useStudio();
  const bench = useDesk((state) => state.bench);
  return (
    <header className="relative z-20 flex items-center gap-3 border-b border-line bg-slate pr-2 pl-4">
      <Link href="/" className="text-large font-semibold tracking-[0.08em] text-brass">
        OILWICK
      </Link>
      <p className="flex min-w-0 gap-2 text-plain">
        <span className="truncate text-ash">{studio.info.projectName}</span>
        <span className="text-dust">/</span>
        <span className="truncate">{studio.info.name}</span>
      </p>
      <nav aria-label="Benches" className="flex h-full flex-1 justify-center">
        {BENCHES.map((name, i) => (
          <BenchLink
            key={name}
            bench={name}
            title={titleOf(studio, `bench-${name}`)}
            isCurrent={bench === name}
            className={`flex h-full items-center gap-2 border-b-2 px-3 whitespace-nowrap ${bench === name ? 'border-verdigris text-chalk' : 'border-transparent text-ash hover:text-chalk'}`}
          >
            <span className="figure text-dust">{i + 1}</span>
            {benchFacts(name).word}
          </BenchLink>
        ))}
      </nav>
      <People />
      <Aside />
      <Snags />
      <UndoKeys />
      <SaveState />
      {benchFacts(bench).hasStage && <WipeAndPlay />}
      <ThemeKey />
    </header>
  );
}

function UndoKeys() {
  const studio = useStudio();
  const undo = useScene((state) => state.undo.at(-1)?.label ?? null);
  const redo = useScene((state) => state.redo.at(-1)?.label ?? null);
  return (
    <div className="flex gap-1">
      <button
        type="button"
        className="key"
        disabled={undo === null}
        title={undo ? `Undo: ${undo} (${keyText('ctrl+z')})` : 'There is nothing to undo.'}
        onClick={() => commandOf('undo').run(studio)}
      >
        Undo
      </button>
      <button
        type="button"
        className="key"
        disabled={redo === null}
        title={redo ? `Redo: ${redo} (${keyText('ctrl+shift+z')})` : 'There is nothing to redo.'}
        onClick={() => commandOf('redo').run(studio)}
      >
        Redo
      </button>
    </div>
  );
}

function saveWords(sync: SyncState): string {
  switch (sync.kind) {
    case 'saved':
      return 'Saved';
    case 'saving':
      return 'Saving …';
    case 'unsaved':
      return 'Not saved';
  }
}

function SaveState() {
  const studio = useStudio();
  const sync = useSync();
  const isBad = sync.kind === 'unsaved';
  const why = sync.kind === 'unsaved' ? sync.why : undefined;
  return (
    <p
      role="status"
      title={why}
      className={`max-w-[200px] min-w-[44px] truncate ${isBad ? 'text-signal' : 'text-ash'}`}
    >
      <button
        type="button"
        className="cursor-pointer"
        title={titleOf(studio, 'revisions')}
        onClick={() => commandOf('revisions').run(studio)}
      >
        {saveWords(sync)}
      </button>
      {why && <span className="text-small">: {why} It is kept in this browser.</span>}
    </p>
  );
}

function WipeAndPlay() {
  const studio = useStudio();
  const wipe = useDesk((state) => state.wipe);
  const workLamp = useDesk((state) => state.workLamp);
  const plays = useLive((live) => live.dayRate !== 0 && !live.isFrozen);
  const isFrozen = useLive((live) => live.isFrozen);
  return (
    <div className="flex gap-1">
      <button
        type="button"
        className="key"
        aria-pressed={workLamp}
        title={
          plays || wipe !== null
            ? 'Lights the stage for you alone (W); out while the day plays and under a wipe'
            : 'Lights the stage for you alone (W)'
        }
        onClick={() => commandOf('work-lamp').run(studio)}
      >
        Work lamp
      </button>
      <select
        aria-label="Wipe"
        className="key w-[112px] bg-iron"
        value={wipe?.left.view ?? ''}
        title="Compare under a movable edge (X)"
        onChange={({ currentTarget: { value } }) =>
          value === ''
            ? studio.desk.setState({ wipe: null })
            : setWipeSide(studio, 'left', value as WipeViewName)
        }
      >
        <option value="" className="bg-slate">
          {wipe ? 'Wipe off' : 'Wipe'}
        </option>
        {WIPE_VIEW_NAMES.map((name) => (
          <option key={name} value={name} className="bg-slate">
            {wipeKind(name).word}
          </option>
        ))}
      </select>
      <button
        type="button"
        className="key"
        aria-pressed={isFrozen}
        title="Everything stands still at this instant (F)"
        onClick={() => commandOf('freeze').run(studio)}
      >
        Freeze
      </button>
      <button
        type="button"
        className="key"
        aria-pressed={plays}
        title="Plays the day; how quick is chosen on the Time bench (D)"
        onClick={() => commandOf('play-day').run(studio)}
      >
        {plays ? 'Stop' : 'Play day'}
      </button>
    </div>
  );
}
