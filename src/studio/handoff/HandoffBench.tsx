'use client';
import { useState } from 'react';
import { wordsOf } from '@/core/faults';
import { EXPORT_NAMES, exportNamed, type ExportName } from '@/core/handoff/exports/all-exports';
import { neededRecords } from '@/core/scene/references';
import { useDesk, useScene, useStudio } from '../context';
import type { OptionValues } from '../controls/OptionRows';
import { blobUrl } from '../store/server-api';
import { ExportSection } from './ExportSection';
import { downloadFiles, startExport } from './export-run';

export function HandoffBench() {
  const studio = useStudio();
  const used = useScene((state) =>
    Object.entries(neededRecords(state.scene, state.scene).artworks).map(([id, artwork]) => ({
      id,
      ...artwork,
    })),
  );
  const lights = useScene((state) => Object.keys(state.scene.lights).length);
  const occluders = useScene((state) => Object.keys(state.scene.occluders).length);
  const chosen = useDesk((state) => state.exportName);
  const [busy, setBusy] = useState<{ done: number; all: number; stop(): void } | null>(null);
  const [fault, setFault] = useState<{ name: ExportName; words: string } | null>(null);

  const run = async (name: ExportName, options: OptionValues) => {
    setFault(null);
    const job = startExport(studio, name, options, (done, all) =>
      setBusy((last) => last && { ...last, done, all }),
    );
    setBusy({ done: 0, all: used.length, stop: job.stop });
    try {
      const files = await job.result;
      if (files) downloadFiles(studio.info.name, name, files);
    } catch (thrown) {
      setFault({ name, words: wordsOf(thrown) });
    }
    setBusy(null);
  };

  return (
    <main className="grid min-h-0 grid-cols-[168px_minmax(0,1fr)] grid-rows-[minmax(0,1fr)_44px_204px]">
      <nav
        aria-label="Ways to leave"
        className="row-span-3 min-h-0 overflow-y-auto border-r border-line bg-slate py-2"
      >
        {EXPORT_NAMES.map((name) => (
          <button
            key={name}
            type="button"
            aria-pressed={name === chosen}
            title={exportNamed(name).about}
            className="block w-full cursor-pointer border-l-2 border-transparent px-3 py-1 text-left text-plain hover:bg-iron aria-pressed:border-verdigris aria-pressed:bg-iron"
            onClick={() => studio.desk.setState({ exportName: name })}
          >
            {exportNamed(name).word}
          </button>
        ))}
      </nav>
      <div className="min-h-0 overflow-y-auto bg-soot p-4">
        <h2 className="heading">What leaves</h2>
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(128px,1fr))] gap-2">
          {used.map(({ id, name, imageSha, widthPx, heightPx }) => (
            <li key={id} className="flex h-[112px] flex-col border border-line bg-slate p-2">
              {/* eslint-disable-next-line @next/next/no-img-element -- art is shown pixel for pixel, never resampled by a server */}
              <img src={blobUrl(imageSha)} alt="" className="pixels min-h-0 flex-1 object-contain" />
              <span className="truncate">{name}</span>
              <span className="figure text-ash">
                {widthPx} × {heightPx}
              </span>
            </li>
          ))}
        </ul>
        {used.length === 0 && (
          <p className="text-ash">Nothing stands on the stage yet; the bundle would hold an empty scene.</p>
        )}
      </div>
      <div className="flex items-center gap-4 border-t border-line bg-slate px-4">
        {busy ? (
          <>
            <progress
              aria-label="Packing"
              className="h-2 flex-1 accent-brass"
              value={busy.done}
              max={Math.max(1, busy.all)}
            />
            <span className="figure">
              {busy.done} of {busy.all}
            </span>
            <button type="button" className="key" onClick={busy.stop}>
              Cancel
            </button>
          </>
        ) : (
          <span className="text-ash">
            {used.length} artworks, {lights} lights, {occluders} occluders
          </span>
        )}
      </div>
      <div className="flex min-h-0 gap-6 overflow-auto border-t border-line bg-slate px-4 pt-2">
        <ExportSection
          key={chosen}
          name={chosen}
          busy={busy !== null}
          fault={fault?.name === chosen ? fault.words : null}
          onRun={(options) => void run(chosen, options)}
        />
      </div>
    </main>
  );
}
