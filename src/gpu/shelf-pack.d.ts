declare module '@mapbox/shelf-pack' {
  export interface Bin {
    x: number;
    y: number;
    w: number;
    h: number;
  }
  /** Packs boxes into rows of a sheet, one at a time. */
  export default class ShelfPack {
    constructor(width: number, height: number);
    /** Null where there is no room left. */
    packOne(width: number, height: number): Bin | null;
    /** Gives a box back: its place is free for another one as large or smaller. */
    unref(bin: Bin): number;
  }
}
