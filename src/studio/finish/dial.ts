/** A point on a plane of colour, and three channels that part by it around their mean: red to the right, green and blue a third of a turn on. */
export type Triple = readonly [number, number, number];

const HALF_ROOT_3 = Math.sqrt(3) / 2;

/**
 * Where the point of three channels lies: 0, 0 where they are the same, at 1 on the rim.
 * @param rim how far a channel is from the mean there; below 0 the point lies on the other side
 */
export function dialPlace([red, green, blue]: Triple, rim: number): [number, number] {
  const mean = (red + green + blue) / 3;
  // Rows run downward: green is a third of a turn on, as screens count angles, at the lower left.
  return [(red - mean) / rim, (green - blue) / (2 * HALF_ROOT_3 * rim)];
}

/** Channels around the mean of those that there are, for a point. */
export function dialValues(values: Triple, [x, y]: readonly [number, number], rim: number): Triple {
  const mean = (values[0] + values[1] + values[2]) / 3;
  return [mean + rim * x, mean + rim * (-x / 2 + HALF_ROOT_3 * y), mean + rim * (-x / 2 - HALF_ROOT_3 * y)];
}
