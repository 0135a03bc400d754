/** The kinds of turning, in the order in which they are offered. */
import type { TurningRecord } from './kind';
import { look } from './look';
import { steady } from './steady';
import { swing } from './swing';

export const TURNINGS = { steady, swing, look } as const satisfies Record<string, TurningRecord>;
export type TurningKind = keyof typeof TURNINGS;
export const TURNING_KINDS = Object.keys(TURNINGS) as TurningKind[];
