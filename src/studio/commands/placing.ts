/** Aligning, distributing, sets and drawing order of what is picked. */
import { figureSize } from '@/core/art/frames';
import { mappedBox, type Box } from '@/core/geometry/affine';
import { artOf, fixturePlace, spriteAffine } from '@/core/moment/standing';
import { change, type Edit } from '@/core/scene/edits';
import { compare, inOrder, type SceneDocument } from '@/core/scene/document';
import { orderBetween } from '@/core/scene/order';
import { movedEdits } from '../store/moved-edits';
import { takeOff } from '../store/hang-edits';
import { fewerPicked, noSpritePicked, nothingPicked, onStage, type Command } from './command';
import { makeLuminaire } from '../store/lamp-edits';
import { nameAsSet } from '../store/set-edits';
import type { Picked } from '../store/scene-store';
import type { Studio } from '../store/studio';

/** The box of a picked thing as it is drawn; a light is a point. */
function boxOf(scene: SceneDocument, { collection, id }: Picked, seconds: number): Box | null {
  if (collection === 'sprites') {
    const sprite = scene.sprites[id];
    const artwork = artOf(scene, sprite);
    const map = spriteAffine(scene, sprite, seconds);
    if (!artwork || !map) return null;
    const { widthPx, heightPx } = figureSize(artwork);
    return mappedBox(map, widthPx, heightPx);
  }
  if (collection !== 'lights' && collection !== 'lamps') return null;
  const at = fixturePlace(scene, scene[collection][id], seconds);
  return at && { left: at[0], right: at[0], top: at[1], bottom: at[1] };
}

interface Boxed {
  picked: Picked;
  box: Box;
}

function boxesOf(studio: Studio): Boxed[] {
  const { seconds } = studio.live.getState();
  return studio.scenes.state.selection.flatMap((picked) => {
    const box = boxOf(studio.scene, picked, seconds);
    return box ? [{ picked, box }] : [];
  });
}

const LINES = {
  left: (box: Box) => [box.left, 0],
  centre: (box: Box) => [(box.left + box.right) / 2, 0],
  right: (box: Box) => [box.right, 0],
  top: (box: Box) => [0, box.top],
  middle: (box: Box) => [0, (box.top + box.bottom) / 2],
  bottom: (box: Box) => [0, box.bottom],
} as const;
export type LineName = keyof typeof LINES;
export const LINE_NAMES = Object.keys(LINES) as LineName[];

/** Moves all so that one of their sides, or their middles, stand on the line of the whole. */
function lineUp(studio: Studio, line: LineName): void {
  const boxes = boxesOf(studio);
  const whole = {
    left: Math.min(...boxes.map(({ box }) => box.left)),
    top: Math.min(...boxes.map(({ box }) => box.top)),
    right: Math.max(...boxes.map(({ box }) => box.right)),
    bottom: Math.max(...boxes.map(({ box }) => box.bottom)),
  };
  const [x, y] = LINES[line](whole);
  moveEach(studio, 'Align', boxes, ({ box }) => {
    const [bx, by] = LINES[line](box);
    return [x - bx, y - by];
  });
}

/** Spreads middles evenly between the first and the last. */
function spread(studio: Studio, axis: 'across' | 'down'): void {
  const middle = ({ box }: Boxed) => (axis === 'across' ? box.left + box.right : box.top + box.bottom) / 2;
  const boxes = boxesOf(studio).sort((a, b) => middle(a) - middle(b) || compare(a.picked.id, b.picked.id));
  const [first, last] = [middle(boxes[0]), middle(boxes[boxes.length - 1])];
  moveEach(studio, 'Distribute', boxes, (one, i) => {
    const by = first + ((last - first) * i) / (boxes.length - 1) - middle(one);
    return axis === 'across' ? [by, 0] : [0, by];
  });
}

function moveEach(
  studio: Studio,
  label: string,
  boxes: readonly Boxed[],
  by: (one: Boxed, index: number) => [number, number],
): void {
  const whole = studio.scene.settings.scene.pixelArt ? Math.round : (v: number) => v;
  const { seconds } = studio.live.getState();
  const edits = boxes.flatMap((one, i) => {
    const [dx, dy] = by(one, i).map(whole);
    return movedEdits(studio.scene, [one.picked], [dx, dy], seconds);
  });
  studio.scenes.transact({ label, edits });
}

/** Moves picked sprites one step in the drawing order of their planes, or to an end of it. */
function reorder(studio: Studio, direction: 1 | -1, toEnd: boolean): void {
  const { scene } = studio;
  const picked = new Set(studio.pickedOf('sprites'));
  const edits: Edit[] = [];
  for (const planeId of new Set([...picked].map((id) => scene.sprites[id].planeId))) {
    const on = <T extends { planeId: string; order: string }>(records: Record<string, T>) =>
      Object.entries(records).filter(([, record]) => record.planeId === planeId);
    const row = inOrder(Object.fromEntries<{ order: string }>([...on(scene.sprites), ...on(scene.lamps)]));
    edits.push(...rowEdits(scene, row, picked, direction, toEnd));
  }
  studio.scenes.transact({ label: direction === 1 ? 'Bring forward' : 'Send back', edits });
}

function rowEdits(
  scene: SceneDocument,
  row: [string, { order: string }][],
  picked: ReadonlySet<string>,
  direction: 1 | -1,
  toEnd: boolean,
): Edit[] {
  const moving = row.filter(([id]) => picked.has(id));
  const rest = row.filter(([id]) => !picked.has(id));
  // The place among the others: behind as many as stand behind the foremost (or hindmost) of the picked, and one more.
  const edge = row.indexOf(direction === 1 ? moving[moving.length - 1] : moving[0]);
  const passed = row.slice(0, edge).filter(([id]) => !picked.has(id)).length;
  const at = toEnd
    ? direction === 1
      ? rest.length
      : 0
    : Math.min(rest.length, Math.max(0, passed + direction));
  const low = rest[at - 1]?.[1].order ?? null;
  let high: string | null = rest[at]?.[1].order ?? null;
  // Equal keys, as two copies may have, leave no room between them.
  if (low !== null && high !== null && low >= high) high = null;
  let last: string | null = low;
  return moving.flatMap(([id]) => {
    const order = orderBetween(last, high);
    last = order;
    return change(scene, 'sprites', id, { order }) ?? [];
  });
}

export const PLACING_COMMANDS: Command[] = [
  ...LINE_NAMES.map((line): Command => ({
    id: `line-${line}`,
    words: `Align: ${line}`,
    keys: [`shift+${line[0]}`],
    isHere: onStage,
    whyNot: fewerPicked(2),
    run: (s) => lineUp(s, line),
  })),
  ...(['across', 'down'] as const).map((axis): Command => ({
    id: `spread-${axis}`,
    words: `Distribute ${axis}`,
    keys: [axis === 'across' ? 'shift+x' : 'shift+y'],
    isHere: onStage,
    whyNot: fewerPicked(3),
    run: (s) => spread(s, axis),
  })),
  {
    id: 'forward',
    words: 'Bring forward',
    keys: ['.'],
    isHere: onStage,
    whyNot: noSpritePicked,
    run: (s) => reorder(s, 1, false),
  },
  {
    id: 'back',
    words: 'Send back',
    keys: [','],
    isHere: onStage,
    whyNot: noSpritePicked,
    run: (s) => reorder(s, -1, false),
  },
  {
    id: 'front',
    words: 'Bring to the front',
    keys: ['ctrl+.'],
    isHere: onStage,
    whyNot: noSpritePicked,
    run: (s) => reorder(s, 1, true),
  },
  {
    id: 'rear',
    words: 'Send to the back',
    keys: ['ctrl+,'],
    isHere: onStage,
    whyNot: noSpritePicked,
    run: (s) => reorder(s, -1, true),
  },
  {
    id: 'name-set',
    words: 'Name what is picked as a set',
    keys: ['shift+s'],
    isHere: onStage,
    whyNot: fewerPicked(2),
    run: nameAsSet,
  },
  {
    id: 'take-off',
    words: 'Detach from what carries it',
    keys: ['ctrl+g'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: takeOff,
  },
  {
    id: 'make-luminaire',
    words: 'Make a luminaire of what is picked',
    keys: ['ctrl+l'],
    isHere: onStage,
    whyNot: (s) => (s.pickedOf('lights').length > 0 ? null : 'Pick a light first.'),
    run: makeLuminaire,
  },
];
