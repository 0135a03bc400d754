/** Names of the parts of lamps among the lights and sprites of a Moment. */

/** The name of a lamp's part among the lights and sprites of a Moment. */
export function partId(lampId: string, part: { id: string }): string {
  return `${lampId}/${part.id}`;
}

/** The light or lamp that a light of a Moment belongs to, by its name there. */
export function fixtureIdOf(lightId: string): string {
  return lightId.split('/')[0];
}

/** The part of a lamp that it is; null is a light of the scene. */
export function partIdOf(lightId: string): string | null {
  return lightId.split('/').at(1) ?? null;
}
