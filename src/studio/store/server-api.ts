/** The server's routes as functions. */
import { TABLE_TYPES } from '@/core/finish/table-formats';
import type { SceneDocument } from '@/core/scene/document';
import type {
  Known,
  PatchAnswer,
  Person,
  PickedName,
  RefusedEdit,
  RevisionEntry,
} from '@/core/scene/changes';
import { sentEdit, type SentEdit } from '@/core/scene/patches';
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
  /** How often the shared records of its project were changed. */
  changeNumber: number;
  document: SceneDocument;
}

/** An answer that is a problem: its words are for the person. */
export class ProblemFault extends Error {
  override name = 'ProblemFault';
  constructor(
    readonly status: number,
    detail: string,
    /** Of a patch: the edits that do not fit. */
    readonly refused: RefusedEdit[] = [],
  ) {
    super(detail);
  }
}

interface Problem {
  detail?: string;
  refused?: RefusedEdit[];
}

async function ask<T>(path: string, init: RequestInit = {}): Promise<T> {
  let response: Response;
  try {
    response = await fetch(path, init);
  } catch {
    throw new ProblemFault(0, 'The server does not answer.');
  }
  if (response.ok) return (await response.json()) as T;
  const { detail, refused } = (await response.json().catch(() => ({}))) as Problem;
  throw new ProblemFault(response.status, detail ?? `The server answered with ${response.status}.`, refused);
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
  uses: (projectId: string, collection: 'artworks' | 'luminaires', id: string) =>
    ask<{ scenes: SceneUse[] }>(
      `/api/projects/${projectId}/uses?${new URLSearchParams({ collection, id }).toString()}`,
    ),
  openScene: (id: string) => ask<OpenScene>(`/api/scenes/${id}`),
  revisions: async (sceneId: string, before: number | null) =>
    (
      await ask<{ revisions: RevisionEntry[] }>(
        `/api/scenes/${sceneId}/revisions${before === null ? '' : `?before=${before}`}`,
      )
    ).revisions,
  revision: async (sceneId: string, revision: number) =>
    (await ask<{ document: SceneDocument }>(`/api/scenes/${sceneId}/revisions/${revision}`)).document,
  nameRevision: (sceneId: string, revision: number, name: string | null) =>
    ask(`/api/scenes/${sceneId}/revisions/${revision}`, asJson('PATCH', { name })),
  branch: (sceneId: string, revision: number, name: string) =>
    ask<{ id: string }>(`/api/scenes/${sceneId}/copies`, asJson('POST', { name, revision })),
  keepPicks: (sceneId: string, personId: string, picked: readonly PickedName[]) =>
    ask(`/api/scenes/${sceneId}/picks`, asJson('PUT', { personId, picked })),
  keepPicture: (bytes: Uint8Array<ArrayBuffer>) =>
    ask<{ sha256: string; widthPx: number; heightPx: number }>('/api/blobs', {
      method: 'POST',
      headers: { 'content-type': 'image/png' },
      body: bytes,
    }),
  /** @param bytes the text of a lookup table */
  keepTable: (bytes: Uint8Array<ArrayBuffer>) =>
    ask<{ sha256: string }>('/api/blobs', {
      method: 'POST',
      headers: { 'content-type': TABLE_TYPES.cube },
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

export function revisionPictureUrl(sceneId: string, revision: number): string {
  return `/api/scenes/${sceneId}/revisions/${revision}/picture`;
}

export function blobUrl(sha256: string): string {
  return `/api/blobs/${sha256}`;
}

/** Longer patches are sent in pieces of about so many characters. */
const PIECE_LENGTH = 2 * 1024 * 1024;

/** Sends a batch, in pieces where it is long, and sorts the answers by what is to be done next. */
export async function sendBatch(
  sceneId: string,
  { transactionId, edits, author }: Batch & { author: Person },
  { revision, changeNumber }: Known,
): Promise<SendResult> {
  const pieces = piecesOf(edits.map(sentEdit));
  try {
    let answer: PatchAnswer | null = null;
    for (const [place, some] of pieces.entries()) {
      const piece = pieces.length > 1 ? { place, of: pieces.length } : undefined;
      answer = await ask<PatchAnswer>(`/api/scenes/${sceneId}/patches`, {
        ...asJson('POST', { transactionId, edits: some, author, changeNumber, piece }),
        headers: { 'content-type': 'application/json', 'if-match': `"r${revision}"` },
      });
    }
    return { kind: 'kept', ...answer! };
  } catch (thrown) {
    if (!(thrown instanceof ProblemFault)) throw thrown;
    if (thrown.status === 412) return { kind: 'ahead' };
    const why = thrown.message;
    const isAway = thrown.status === 0 || thrown.status >= 500;
    return isAway ? { kind: 'away', why } : { kind: 'refused', why, refused: thrown.refused };
  }
}

function piecesOf(edits: readonly SentEdit[]): SentEdit[][] {
  const pieces: SentEdit[][] = [];
  let length = Infinity;
  for (const edit of edits) {
    const own = JSON.stringify(edit).length;
    if (length + own > PIECE_LENGTH) {
      pieces.push([]);
      length = 0;
    }
    pieces.at(-1)!.push(edit);
    length += own;
  }
  return pieces;
}
