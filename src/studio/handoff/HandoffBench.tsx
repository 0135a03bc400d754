'use client';
import { proxy, wrap } from 'comlink';
import { useState } from 'react';
import { wordsOf } from '@/core/faults';
import { filesNeeded } from '@/core/handoff/bundle';
import { neededRecords } from '@/core/scene/references';
import type { BundleWorker } from '@/workers/bundle-worker';
import { useScene, useStudio } from '../context';
import { download } from '../store/download';
import { pictureUrl } from '../store/server-api';
import type { Studio } from '../store/studio';

const CONTENTS: [string, string][] = [
  ['scene.json', 'planes, sprites, lights, wicks, cues and recipes, described by scene.schema.json'],
  ['art/', 'every picture that the scene uses, byte for byte'],
  ['normals/', 'normal maps, Y up, with the alpha of the art'],
  ['heights/', 'heights as 16-bit grey'],
  ['rims/, occlusions/, glows/', 'masks: what catches a rim light, how open it lies, what shines by itself'],
  ['brought/', 'maps and corrections that reliefs are made of'],
  ['occluders.json', 'every outline as directed edges in scene px'],
  ['CONVENTIONS.md', 'axes, units, colour space and formulas of this scene'],
];

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
  const [busy, setBusy] = useState<{ done: number; all: number; stop(): void } | null>(null);
  const [fault, setFault] = useState<string | null>(null);

  const pack = async () => {
    setFault(null);
    const job = startPacking(studio, (done, all) => setBusy((last) => last && { ...last, done, all }));
    setBusy({ done: 0, all: used.length, stop: job.stop });
    try {
      const bytes = await job.result;
      if (bytes) download(`${fileName(studio.info.name)}.zip`, bytes, 'application/zip');
    } catch (thrown) {
      setFault(wordsOf(thrown));
    }
    setBusy(null);
  };

  return (
    <main className="grid min-h-0 grid-rows-[minmax(0,1fr)_44px_204px]">
      <div className="min-h-0 overflow-y-auto bg-soot p-4">
        <h2 className="heading">What leaves</h2>
        <ul className="grid grid-cols-[repeat(auto-fill,minmax(128px,1fr))] gap-2">
          {used.map(({ id, name, imageSha, widthPx, heightPx }) => (
            <li key={id} className="flex h-[112px] flex-col border border-line bg-slate p-2">
              {/* eslint-disable-next-line @next/next/no-img-element -- art is shown pixel for pixel, never resampled by a server */}
              <img src={pictureUrl(imageSha)} alt="" className="pixels min-h-0 flex-1 object-contain" />
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
        <section className="w-[260px] shrink-0">
          <h3 className="heading">Bundle</h3>
          <p className="mb-2 text-ash">
            The whole scene in one archive, for any engine. It opens again in Oilwick without loss, from the
            front page.
          </p>
          <button
            type="button"
            className="key"
            disabled={busy !== null}
            data-picked="true"
            onClick={() => void pack()}
          >
            Download the bundle
          </button>
          {fault && (
            <p role="alert" className="mt-2 text-signal">
              The bundle was not made: {fault}
            </p>
          )}
        </section>
        <section className="min-w-0 flex-1">
          <h3 className="heading">In it</h3>
          <dl className="grid grid-cols-[140px_minmax(0,1fr)]">
            {CONTENTS.map(([file, what]) => (
              <div key={file} className="contents">
                <dt className="figure leading-[22px] text-brass">{file}</dt>
                <dd className="truncate leading-[22px]">{what}</dd>
              </div>
            ))}
          </dl>
        </section>
      </div>
    </main>
  );
}

function fileName(name: string): string {
  return (
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'scene'
  );
}

/** Packs in a worker of its own; stopping ends the worker, and the result is then null. */
function startPacking(studio: Studio, progress: (done: number, all: number) => void) {
  const worker = new Worker(new URL('../../workers/bundle-worker.ts', import.meta.url), { type: 'module' });
  let stop = () => {};
  const stopped = new Promise<null>((resolve) => {
    stop = () => {
      worker.terminate();
      resolve(null);
    };
  });
  const packed = async () => {
    const scene = studio.scenes.kept;
    const pictures = new Map<string, Uint8Array>();
    for (const sha of filesNeeded(scene)) {
      const response = await fetch(pictureUrl(sha));
      if (!response.ok) throw new Error('A picture could not be loaded from the server.');
      pictures.set(sha, new Uint8Array(await response.arrayBuffer()));
    }
    return wrap<BundleWorker>(worker).pack(studio.info.name, scene, pictures, proxy(progress));
  };
  const result = Promise.race([packed(), stopped]).finally(() => worker.terminate());
  return { stop: () => stop(), result };
}
