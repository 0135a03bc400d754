import { DIAGONAL, FLIP_X, FLIP_Y } from './tiles';

/** @see placeInTile in tiles.ts */
export const PLACE_IN_TILE = `
vec2 placeInTile(int orientation, vec2 at, vec2 size) {
  if ((orientation & ${FLIP_X}) != 0) at.x = size.x - at.x;
  if ((orientation & ${FLIP_Y}) != 0) at.y = size.y - at.y;
  return (orientation & ${DIAGONAL}) != 0 ? at.yx : at;
}
`;
