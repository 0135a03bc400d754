/** What gives light: single lights, and placed lamps. */
export const FIXTURES = ['lights', 'lamps'] as const;
export type FixtureCollection = (typeof FIXTURES)[number];

/** A light or a lamp. */
export interface FixtureName {
  collection: FixtureCollection;
  id: string;
}
