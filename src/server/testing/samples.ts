/** What tests of the store put into it. */
import { randomUUID } from 'node:crypto';
import type { SceneDocument } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import { newLight, type Light } from '@/core/scene/records/light';
import { makeProject } from '../queries/projects';
import { makeScene, openScene } from '../queries/scenes';

export const transactionId = () => randomUUID();

/** What somebody knows who opened a scene at a revision, and asks for nothing of its project. */
export const at = (revision: number) => ({ revision, changeNumber: Number.MAX_SAFE_INTEGER });

export function testLamp(x: number): Light {
  return newLight({ name: 'Lamp', planeId: 'plane-middle', order: 'a', x, y: 2 });
}

/** An empty scene in a project of its own. */
export async function freshScene(): Promise<{ projectId: string; id: string; document: SceneDocument }> {
  const projectId = await makeProject('Project');
  const id = await makeScene(projectId, 'Scene', newScene());
  return { projectId, id, document: (await openScene(id)).document };
}
