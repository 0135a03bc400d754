'use client';
import Link from 'next/link';
import { NameField } from '../controls/NameField';
import { api, type ProjectEntry, type SceneEntry } from '../store/server-api';
import { FileKey } from '../controls/FileKey';

type Act = (work: () => Promise<unknown>) => Promise<void>;

export function ProjectPanel({ project, inBin, act }: { project: ProjectEntry; inBin: boolean; act: Act }) {
  const scenes = inBin
    ? project.scenes.filter((scene) => scene.isBinned)
    : project.scenes.filter((scene) => !scene.isBinned);
  return (
    <section id={`project-${project.id}`} aria-label={project.name} className="mb-6">
      <div className="mb-2 flex items-center gap-2 border-b border-line pb-1">
        <NameField
          name={project.name}
          label="Name of the project"
          className="w-[320px] text-large"
          onChange={(name) => void act(() => api.rename('projects', project.id, name))}
        />
        <span className="flex-1" />
        {inBin ? (
          project.isBinned && <BinKeys kind="projects" id={project.id} act={act} />
        ) : (
          <OpenKeys project={project} act={act} />
        )}
      </div>
      <ul className="flex flex-wrap gap-3">
        {scenes.map((scene) => (
          <SceneCard key={scene.id} scene={scene} inBin={inBin} act={act} />
        ))}
        {scenes.length === 0 && !inBin && (
          <li className="text-ash">No scene yet. Make one here, or open a bundle.</li>
        )}
      </ul>
    </section>
  );
}

function OpenKeys({ project, act }: { project: ProjectEntry; act: Act }) {
  const openBundle = (file: File) =>
    act(() => api.openBundle(project.id, file.name.replace(/\.zip$/i, ''), file));
  return (
    <>
      <button
        type="button"
        className="key"
        onClick={() =>
          void act(() =>
            api.makeScene(project.id, `Scene ${project.scenes.filter((s) => !s.isBinned).length + 1}`),
          )
        }
      >
        New scene
      </button>
      <FileKey accept=".zip,application/zip" onFiles={([file]) => void openBundle(file)}>
        Open a bundle
      </FileKey>
      <button
        type="button"
        className="key"
        aria-label={`Duplicate project ${project.name}`}
        onClick={() => void act(() => api.copy('projects', project.id, `${project.name} copy`))}
      >
        Duplicate
      </button>
      <button
        type="button"
        className="key"
        aria-label={`Bin project ${project.name}`}
        onClick={() => void act(() => api.setBinned('projects', project.id, true))}
      >
        Bin
      </button>
    </>
  );
}

function BinKeys({ kind, id, act }: { kind: 'projects' | 'scenes'; id: string; act: Act }) {
  return (
    <>
      <button type="button" className="key" onClick={() => void act(() => api.setBinned(kind, id, false))}>
        Restore
      </button>
      <button
        type="button"
        className="key text-signal"
        onClick={() => void act(() => api.destroyBinned(kind, id))}
      >
        Delete for good
      </button>
    </>
  );
}

function SceneCard({ scene, inBin, act }: { scene: SceneEntry; inBin: boolean; act: Act }) {
  return (
    <li className="flex w-[498px] flex-col gap-2 border border-line bg-slate p-2">
      {scene.pictureRevision === null ? (
        <p className="flex h-[270px] items-center justify-center bg-soot text-ash">no picture yet</p>
      ) : (
        // eslint-disable-next-line @next/next/no-img-element -- the picture is the server's own, at its own size
        <img
          src={`/api/scenes/${scene.id}/picture?r=${scene.pictureRevision}`}
          alt=""
          className="h-[270px] w-full bg-soot object-cover"
        />
      )}
      <NameField
        name={scene.name}
        label="Name of the scene"
        className="text-large"
        onChange={(name) => void act(() => api.rename('scenes', scene.id, name))}
      />
      <div className="flex gap-1">
        {inBin ? (
          <BinKeys kind="scenes" id={scene.id} act={act} />
        ) : (
          <>
            <Link
              href={`/scenes/${scene.id}`}
              className="key"
              data-picked="true"
              aria-label={`Open ${scene.name}`}
            >
              Open
            </Link>
            <button
              type="button"
              className="key"
              aria-label={`Duplicate ${scene.name}`}
              onClick={() => void act(() => api.copy('scenes', scene.id, `${scene.name} copy`))}
            >
              Duplicate
            </button>
            <button
              type="button"
              className="key"
              aria-label={`Bin ${scene.name}`}
              onClick={() => void act(() => api.setBinned('scenes', scene.id, true))}
            >
              Bin
            </button>
          </>
        )}
      </div>
    </li>
  );
}
