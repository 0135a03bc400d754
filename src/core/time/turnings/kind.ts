/** What a kind of turning is: one record in one file, listed in all-turnings.ts. */

/** The fields of a turning that kinds read; see core/scene/records/motion.ts. */
export interface TurningFields {
  degreesPerSecond: number;
  fromDeg: number;
  toDeg: number;
  periodSeconds: number;
  phaseSeconds: number;
  atSpriteId: string | null;
  atBracketId: string | null;
  lagSeconds: number;
}

/** What a turning may ask of the scene. */
export interface TurningSight {
  /** Where what it looks at is, on average over some seconds before now, from where it stands itself; null is nowhere. */
  target(turning: TurningFields): readonly [dx: number, dy: number] | null;
  /** Which way the thing points before it turns, degrees. */
  axisDeg: number;
}

export interface TurningRecord {
  /** @returns how far it is turned, degrees clockwise as seen */
  angle(turning: TurningFields, seconds: number, sight: TurningSight): number;
}
