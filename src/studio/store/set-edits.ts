/** Sets: named together, given and taken members, copied, deleted. */
import { inOrder, type SceneDocument } from '@/core/scene/document';
import { change, create, type Edit } from '@/core/scene/edits';
import { orderAfter } from '@/core/scene/order';
import { deleteEdits } from './delete-edits';
import type { Picked } from './scene-store';
import { freshId, type Studio } from './studio';

const MEMBERS = ['sprites', 'lights', 'lamps', 'occluders'] as const;
type MemberCollection = (typeof MEMBERS)[number];

function isMember(collection: string): collection is MemberCollection {
  return (MEMBERS as readonly string[]).includes(collection);
}

export function membersOf(scene: SceneDocument, setId: string): Picked[] {
  return MEMBERS.flatMap((collection) =>
    Object.entries(scene[collection]).flatMap(([id, { setIds }]): Picked[] =>
      setIds.includes(setId) ? [{ collection, id }] : [],
    ),
  );
}

/** Edits that give things another list of sets. */
function setEdits(
  scene: SceneDocument,
  picked: readonly Picked[],
  next: (setIds: string[]) => string[],
): Edit[] {
  return picked.flatMap(({ collection, id }) =>
    isMember(collection)
      ? (change(scene, collection, id, { setIds: next(scene[collection][id].setIds) }) ?? [])
      : [],
  );
}

const withSet = (setId: string) => (setIds: string[]) => [...new Set([...setIds, setId])];

function makeSet(studio: Studio, label: string, name: string, members: readonly Picked[]): void {
  const { scene } = studio;
  const setId = freshId();
  const order = orderAfter(Object.values(scene.sets).map((set) => set.order));
  const edits = [create('sets', setId, { name, order }), ...setEdits(scene, members, withSet(setId))];
  studio.scenes.transact({ label, edits });
}

/** Names what is picked together as a set. */
export function nameAsSet(studio: Studio): void {
  const name = `Set ${inOrder(studio.scene.sets).length + 1}`;
  makeSet(studio, 'Name a set', name, studio.scenes.state.selection);
}

/** Another set of the same members. */
export function duplicateSet(studio: Studio, setId: string): void {
  const { scene } = studio;
  makeSet(studio, 'Duplicate a set', `${scene.sets[setId].name} copy`, membersOf(scene, setId));
}

/** Deletes a set; its members stay. */
export function deleteSet(studio: Studio, setId: string): void {
  const edits = deleteEdits(studio, [{ collection: 'sets', id: setId }]);
  studio.scenes.transact({ label: 'Delete a set', edits });
}

export function addToSet(studio: Studio, setId: string): void {
  const edits = setEdits(studio.scene, studio.scenes.state.selection, withSet(setId));
  studio.scenes.transact({ label: 'Add to a set', edits });
}

export function takeOutOfSet(studio: Studio, setId: string): void {
  const without = (setIds: string[]) => setIds.filter((id) => id !== setId);
  const edits = setEdits(studio.scene, studio.scenes.state.selection, without);
  studio.scenes.transact({ label: 'Take out of a set', edits });
}

/** Hides all members of a set, or shows all of them where any is hidden. */
export function hideOrShowSet(studio: Studio, setId: string): void {
  const { scene } = studio;
  const members = membersOf(scene, setId) as { collection: MemberCollection; id: string }[];
  const hidden = !members.some(({ collection, id }) => scene[collection][id].hidden);
  const edits = members.flatMap(({ collection, id }) => change(scene, collection, id, { hidden }) ?? []);
  studio.scenes.transact({ label: 'Hide or show a set', edits });
}
