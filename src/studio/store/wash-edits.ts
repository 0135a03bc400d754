/** Washes of the scene: made, copied, deleted, and their points. */
import { change, create } from '@/core/scene/edits';
import { settingsOf, type SceneDocument } from '@/core/scene/document';
import { orderAfter } from '@/core/scene/order';
import { SETTINGS_ID } from '@/core/scene/records/settings';
import { newWash, newWashPoint, type Wash, type WashPoint } from '@/core/scene/records/wash';
import { LIMITS } from '@/core/limits';
import { deleteEdits } from './delete-edits';
import { freshId, type Studio } from './studio';

/** A new wash begins with these two, across the gate. */
const FIRST_COLOURS = ['#d08a86', '#4a5a78'] as const;

/** The wash that is worked on, while washes are: its points are drawn, and taken hold of. */
export function workedWash(studio: Studio): string | null {
  const { bench, timePart, washId } = studio.desk.getState();
  if (bench !== 'time' || timePart !== 'wash') return null;
  const { washes } = studio.scene;
  return washId !== null && washes[washId] ? washId : (Object.keys(washes)[0] ?? null);
}

/** A new wash from the upper left of the gate to its lower right; the scene's, where it had none. @returns its id */
export function addWash(studio: Studio): string {
  const { scene } = studio;
  const { gateWidthPx, gateHeightPx, washId } = settingsOf(scene);
  const points = FIRST_COLOURS.map((colour, i) =>
    newWashPoint({
      ...{ colour, spreadPx: Math.round(gateWidthPx / 3) },
      x: Math.round(gateWidthPx * (0.25 + 0.5 * i)),
      y: Math.round(gateHeightPx * (0.25 + 0.5 * i)),
    }),
  );
  const id = freshId();
  const order = orderAfter(Object.values(scene.washes).map((wash) => wash.order));
  const own = washId === null ? change(scene, 'settings', SETTINGS_ID, { washId: id }) : null;
  studio.scenes.transact({
    label: 'New wash',
    edits: [
      create('washes', id, newWash({ name: `Wash ${Object.keys(scene.washes).length + 1}`, order, points })),
      ...(own ? [own] : []),
    ],
  });
  return id;
}

/** @returns the id of the copy */
export function duplicateWash(studio: Studio, washId: string): string {
  const { scene } = studio;
  const id = freshId();
  const wash = scene.washes[washId];
  const order = orderAfter(Object.values(scene.washes).map((one) => one.order));
  studio.scenes.transact({
    label: 'Duplicate a wash',
    edits: [create('washes', id, { ...wash, order, name: `${wash.name} copy` })],
  });
  return id;
}

export function deleteWash(studio: Studio, washId: string): void {
  studio.scenes.transact({
    label: 'Delete a wash',
    edits: deleteEdits(studio, [{ collection: 'washes', id: washId }]),
  });
}

/** Where the places of a wash are counted from, scene px. */
export function washOrigin(scene: SceneDocument, { tiedTo }: Wash): [number, number] {
  const { gateX, gateY } = settingsOf(scene);
  return tiedTo === 'gate' ? [gateX, gateY] : [0, 0];
}

/** The points of a wash with one of them changed. */
export function withPointChanged(wash: Wash, point: number, fields: Partial<WashPoint>): Partial<Wash> {
  return { points: wash.points.map((one, i) => (i === point ? { ...one, ...fields } : one)) };
}

/** A point more, of the colour of the last one. @param x,y scene px */
export function addWashPoint(studio: Studio, washId: string, x: number, y: number): void {
  const { scene } = studio;
  const wash = scene.washes[washId];
  if (wash.points.length >= LIMITS.washPoints)
    return studio.say(`A wash has at most ${LIMITS.washPoints} points.`);
  const [left, top] = washOrigin(scene, wash);
  const place = { x: Math.round(x - left), y: Math.round(y - top) };
  const point = { ...(wash.points.at(-1) ?? newWashPoint(place)), ...place };
  studio.set('Add a point', 'washes', washId, { points: [...wash.points, point] });
}

export function deleteWashPoint(studio: Studio, washId: string, point: number): void {
  const { points } = studio.scene.washes[washId];
  studio.set('Delete a point', 'washes', washId, { points: points.filter((_, i) => i !== point) });
}
