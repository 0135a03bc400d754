/** Pictures that come in together, laid out beside one another. */

interface Size {
  widthPx: number;
  heightPx: number;
}

const GAP_PX = 8;

/**
 * Places of the upper left corners: in rows, the first at a place, no row wider than there is room.
 * @param room how far a row may go to the right from there
 */
export function laidOut(sizes: readonly Size[], left: number, top: number, room: number): [number, number][] {
  let [x, y, rowHeight] = [left, top, 0];
  return sizes.map(({ widthPx, heightPx }) => {
    if (x > left && x + widthPx > left + room) [x, y, rowHeight] = [left, y + rowHeight + GAP_PX, 0];
    const place: [number, number] = [x, y];
    x += widthPx + GAP_PX;
    rowHeight = Math.max(rowHeight, heightPx);
    return place;
  });
}
