/** What is dragged from the shelf to the stage, and what becomes of it there. */
import type { DragEvent } from 'react';
import { takeLook } from '../store/looks';
import { takeTable } from '../store/look-tables';
import { bringLuminaire } from '../store/ready-luminaires';
import type { Studio } from '../store/studio';
import { placeLamp, placeSprite } from '../tools/place-sprite';

/** Does with the record of an id what its kind is for. @param x @param y scene px, where it was dropped */
type Drop = (studio: Studio, id: string, x: number, y: number) => unknown;

const DROPS = {
  artwork: placeSprite,
  luminaire: async (studio, id, x, y) => {
    if (await bringLuminaire(studio, id)) placeLamp(studio, id, x, y);
  },
  look: takeLook,
  table: takeTable,
} satisfies Record<string, Drop>;

type Dragged = keyof typeof DROPS;
const KINDS = Object.keys(DROPS) as Dragged[];
const typeOf = (kind: Dragged) => `application/x-oilwick-${kind}`;

/** @returns what begins the drag of a thing of the shelf */
export function drag(kind: Dragged, id: string): (event: DragEvent) => void {
  return ({ dataTransfer }) => dataTransfer.setData(typeOf(kind), id);
}

/** @returns whether it was a thing of the shelf that was dropped */
export function dropFromShelf(
  studio: Studio,
  { dataTransfer }: DragEvent,
  [x, y]: readonly [number, number],
): boolean {
  const kind = KINDS.find((one) => dataTransfer.getData(typeOf(one)) !== '');
  if (!kind) return false;
  const drop: Drop = DROPS[kind];
  void drop(studio, dataTransfer.getData(typeOf(kind)), x, y);
  return true;
}
