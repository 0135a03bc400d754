/** Scene places that are looked at together, so that what does not change from one to the next is asked once. */
export interface Places {
  count: number;
  /** Scene px; as long as `count`, or longer. */
  x: Float64Array;
  y: Float64Array;
}

/** One place, to be set. */
export function onePlace(): Places {
  return { count: 1, x: new Float64Array(1), y: new Float64Array(1) };
}
