'use client';
import { ThemeKey } from '../controls/ThemeKey';
import { useCallback, useEffect, useState } from 'react';
import { wordsOf } from '@/core/faults';
import { api, type ProjectEntry } from '../store/server-api';
import { ProjectPanel } from './ProjectPanel';

/** Projects and their scenes: make, open, duplicate, rename, bin, restore. */
export function FrontPage() {
  const [projects, setProjects] = useState<ProjectEntry[] | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [showsBin, setShowsBin] = useState(false);

  const load = useCallback(async () => {
    try {
      setProjects(await api.projects());
    } catch (thrown) {
      setFault(wordsOf(thrown));
    }
  }, []);
  useEffect(() => {
    // The list is the server's; it is read once the page stands.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    void load();
  }, [load]);

  /** Does something on the server, then shows what is there now. */
  const act = useCallback(
    async (work: () => Promise<unknown>) => {
      setFault(null);
      try {
        await work();
      } catch (thrown) {
        setFault(wordsOf(thrown));
      }
      await load();
    },
    [load],
  );

  const open = projects?.filter((project) => !project.isBinned) ?? [];
  const binned =
    projects?.filter((project) => project.isBinned || project.scenes.some((scene) => scene.isBinned)) ?? [];
  return (
    <div className="flex h-dvh flex-col overflow-hidden">
      <header className="flex h-[40px] shrink-0 items-center gap-4 border-b border-line bg-slate px-4">
        <h1 className="text-large font-semibold tracking-[0.08em] text-brass">OILWICK</h1>
        <p className="flex-1 text-ash">a lighting desk for sprite scenes</p>
        <button type="button" className="key" aria-pressed={showsBin} onClick={() => setShowsBin(!showsBin)}>
          Bin{binned.length > 0 ? ` ${binned.length}` : ''}
        </button>
        <button
          type="button"
          className="key"
          data-picked="true"
          onClick={() => void act(() => api.makeProject(`Project ${open.length + 1}`))}
        >
          New project
        </button>
        <ThemeKey />
      </header>
      {fault && (
        <p role="alert" className="border-b border-line bg-slate px-4 py-2 text-signal">
          {fault}
        </p>
      )}
      <main className="min-h-0 flex-1 overflow-y-auto px-6 py-4">
        {projects === null && !fault && <p className="text-ash">Reading the projects …</p>}
        {projects !== null && !showsBin && open.length === 0 && (
          <p className="text-ash">
            There is no project yet. Make one, and drop PNG files onto its first scene.
          </p>
        )}
        {(showsBin ? binned : open).map((project) => (
          <ProjectPanel key={project.id} project={project} inBin={showsBin} act={act} />
        ))}
        {showsBin && binned.length === 0 && <p className="text-ash">The bin is empty.</p>}
      </main>
    </div>
  );
}
