import type { LookFields } from '../scene/records/look';
import type { Walk } from './walk';

/** What lasts only while someone looks. It is never stored and never exported. */
export interface Passing {
  /** Ids of lights and lamps that alone are on; empty means all. */
  solo: ReadonlySet<string>;
  muted: ReadonlySet<string>;
  /** Ids of planes that alone are shown; empty means all. */
  soloPlanes: ReadonlySet<string>;
  /** Even light for the editor, as a level; 0 is out. */
  workLamp: number;
  /** The id of a wash that is seen in full, whatever the hour. */
  fullWash: string | null;
  /** A figure on its rounds. */
  walk: Walk | null;
  /** The scene's own finish, none, or a look that is tried. */
  finish: 'own' | 'none' | LookFields;
  unlit: boolean;
  relief: boolean;
  shadows: boolean;
}

export const NOTHING_PASSING: Passing = {
  solo: new Set(),
  muted: new Set(),
  soloPlanes: new Set(),
  workLamp: 0,
  fullWash: null,
  walk: null,
  finish: 'own',
  unlit: false,
  relief: true,
  shadows: true,
};
