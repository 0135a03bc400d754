/** Where brackets are in single frames. */
import type { Bracket, BracketPlace } from '../scene/records/artwork';

/** The place of a bracket in a frame: its own there, else the one that holds in general. */
export function bracketAt({ places, x, y, turnDeg }: Bracket, frame: number): BracketPlace {
  const own = places.find((place) => place.frame === frame);
  return own ? { x: own.x, y: own.y, turnDeg: own.turnDeg } : { x, y, turnDeg };
}
