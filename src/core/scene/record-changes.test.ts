import { describe, expect, it } from 'vitest';
import { recordChanges, withRecordChanges } from './record-changes';
import { fullScene } from './testing';

describe('changes of records', () => {
  it('bring one scene to another, and keep what did not change', () => {
    const before = fullScene();
    const { man, ...sprites } = before.sprites;
    const after = {
      ...before,
      sprites: { ...sprites, other: { ...man, x: 7 } },
      lights: { ...before.lights, l: { ...before.lights.l, level: 3 } },
    };
    const changes = structuredClone(recordChanges(before, after));
    expect(changes).toEqual({
      sprites: { man: null, other: { ...man, x: 7 } },
      lights: { l: { ...before.lights.l, level: 3 } },
    });
    const brought = withRecordChanges(before, changes);
    expect(brought).toEqual(after);
    expect(brought.artworks).toBe(before.artworks);
    for (const id of Object.keys(sprites)) expect(brought.sprites[id]).toBe(before.sprites[id]);
  });

  it('are nothing between a scene and itself', () => {
    const scene = fullScene();
    expect(recordChanges(scene, scene)).toEqual({});
    expect(withRecordChanges(scene, {})).toEqual(scene);
  });
});
