/** The server's routes as functions. */
import type { SceneDocument } from '@/core/scene/document';
import type { Batch, SendResult } from './sync';

export interface SceneEntry {
  id: string;
  name: string;
  isBinned: boolean;
  /** The revision that its small picture shows; null has none yet. */
  pictureRevision: number | null;
}

export interface ProjectEntry {
  id: string;
  name: string;
  isBinned: boolean;
  scenes: SceneEntry[];
}

export interface OpenScene {
  id: string;
  name: string;
  projectId: string;
  projectName: string;
  revision: number;
  document: SceneDocument;
}

/** An answer that is a problem: its words are for the person. */
export class ProblemFault extends Error {
  override name = 'ProblemFault';
  constructor(
    readonly status: number,
    detail: string,
  ) {
    super(detail);
  }
}

async function ask<T>(path: string, init: RequestInit = {}): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch {
    throw new ProblemFault(0, 'The server does not answer.');
  }
  if (response.ok) return (await response.json()) as T;
  const problem = (await response.json().catch(() => ({}))) as { detail?: string };
  throw new ProblemFault(response.status, problem.detail ?? `The server answered with ${response.status}.`);
}

const asJson = (method: string, body: object): RequestInit => ({
  method,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

/** A scene that uses something of its project. */
export interface SceneUse {
  id: string;
  name: string;
}

export const api = {
  projects: async () => (await ask<{ projects: ProjectEntry[] }>('/api/projects')).projects,
  makeProject: (name: string) => ask<{ id: string }>('/api/projects', asJson('POST', { name })),
  makeScene: (projectId: string, name: string, document?: SceneDocument) =>
    ask<{ id: string }>(`/api/projects/${projectId}/scenes`, asJson('POST', { name, document })),
  copy: (kind: 'projects' | 'scenes', id: string, name: string) =>
    ask<{ id: string }>(`/api/${kind}/${id}/copies`, asJson('POST', { name })),
  rename: (kind: 'projects' | 'scenes', id: string, name: string) =>
    ask(`/api/${kind}/${id}`, asJson('PATCH', { name })),
  setBinned: (kind: 'projects' | 'scenes', id: string, isBinned: boolean) =>
    ask(`/api/${kind}/${id}`, asJson('PATCH', { isBinned })),
  destroyBinned: (kind: 'projects' | 'scenes', id: string) => ask(`/api/${kind}/${id}`, { method: 'DELETE' }),
  uses: (projectId: string, artworkId: string) =>
    ask<{ scenes: SceneUse[] }>(`/api/projects/${projectId}/uses?artwork=${encodeURIComponent(artworkId)}`),
  openScene: (id: string) => ask<OpenScene>(`/api/scenes/${id}`),
  keepPicture: (bytes: Uint8Array<ArrayBuffer>) =>
    ask<{ sha256: string; widthPx: number; heightPx: number }>('/api/blobs', {
      method: 'POST',
      headers: { 'content-type': 'image/png' },
      body: bytes,
    }),
  keepScenePicture: (sceneId: string, bytes: Uint8Array<ArrayBuffer>) =>
    ask(`/api/scenes/${sceneId}/picture`, {
      method: 'PUT',
      headers: { 'content-type': 'image/png' },
      body: bytes,
    }),
  openBundle: (projectId: string, name: string, file: Blob) =>
    ask<{ id: string }>(`/api/projects/${projectId}/bundles?name=${encodeURIComponent(name)}`, {
      method: 'POST',
      headers: { 'content-type': 'application/zip' },
      body: file,
    }),
};

export function pictureUrl(sha256: string): string {
  return `/api/blobs/${sha256}`;
}

/** Sends a batch and sorts the answers by what is to be done next. */
export async function sendBatch(sceneId: string, batch: Batch, revision: number): Promise<SendResult> {
  try {
    const answer = await ask<{ revision: number }>(`/api/scenes/${sceneId}/patches`, {
      ...asJson('POST', batch),
      headers: { 'content-type': 'application/json', 'if-match': `"r${revision}"` },
    });
    return { kind: 'kept', revision: answer.revision };
  } catch (thrown) {
    if (!(thrown instanceof ProblemFault)) throw thrown;
    if (thrown.status === 412) return { kind: 'stale' };
    const isAway = thrown.status === 0 || thrown.status >= 500;
    return { kind: isAway ? 'away' : 'refused', why: thrown.message };
  }
}
