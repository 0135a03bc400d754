/** The part of clipper-lib (Clipper 6 by Angus Johnson, ported by Timo Kähkönen) that is used here. */
declare module 'clipper-lib' {
  /** Whole numbers. */
  export interface IntPoint {
    X: number;
    Y: number;
  }
  export type Path = IntPoint[];

  export const ClipType: { ctIntersection: 0; ctUnion: 1 };
  export const PolyType: { ptSubject: 0; ptClip: 1 };
  export const PolyFillType: { pftEvenOdd: 0; pftNonZero: 1 };
  export const JoinType: { jtMiter: 2 };
  export const EndType: { etClosedPolygon: number };

  export class Clipper {
    /** Outlines that touch themselves are split where they do. */
    StrictlySimple: boolean;
    AddPaths(paths: Path[], polyType: number, closed: boolean): boolean;
    /** Outer rings come back with a positive area, holes with a negative one, in axes of x right, y up. */
    Execute(clipType: number, solution: Path[], subjectFill: number, clipFill: number): boolean;
  }

  export class ClipperOffset {
    constructor(miterLimit: number);
    AddPaths(paths: Path[], joinType: number, endType: number): void;
    Execute(solution: Path[], delta: number): void;
  }

  const library: {
    ClipType: typeof ClipType;
    PolyType: typeof PolyType;
    PolyFillType: typeof PolyFillType;
    JoinType: typeof JoinType;
    EndType: typeof EndType;
    Clipper: typeof Clipper;
    ClipperOffset: typeof ClipperOffset;
  };
  export default library;
}
