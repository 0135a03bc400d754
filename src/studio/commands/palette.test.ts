import { describe, expect, it } from 'vitest';
import { newScene } from '@/core/scene/new-scene';
import { newLight } from '@/core/scene/records/light';
import { fakeStudio } from '../testing/fake-studio';
import { COMMANDS } from './all-commands';
import { MOST_ITEMS, paletteItems } from './palette';

function opened() {
  const scene = newScene();
  scene.lights.lamp = newLight({ name: 'Platform lamp', planeId: 'plane-near', order: 'a', x: 3, y: 4 });
  return fakeStudio(scene);
}

describe('the palette', () => {
  it('offers what can be done first, with its keys', () => {
    const items = paletteItems(opened(), '');
    expect(items.length).toBe(Math.min(MOST_ITEMS, COMMANDS.length));
    const refused = items.findIndex(({ whyNot }) => whyNot !== null);
    expect(items.slice(refused).every(({ whyNot }) => whyNot !== null)).toBe(true);
    expect(paletteItems(opened(), 'work la')).toMatchObject([{ id: 'work-lamp', aside: 'W', whyNot: null }]);
  });

  it('says why something cannot be done', () => {
    expect(paletteItems(opened(), 'undo')[0]).toMatchObject({
      id: 'undo',
      whyNot: 'There is nothing to undo.',
    });
    expect(paletteItems(opened(), 'flip left').map(({ whyNot }) => whyNot)).toContain('Pick a sprite first.');
  });

  it('finds things by their names, and picks them', () => {
    const studio = opened();
    const [item] = paletteItems(studio, 'platf');
    expect(item).toMatchObject({ words: 'Pick “Platform lamp”', aside: 'light', whyNot: null });
    item.run();
    expect(studio.scenes.state.selection).toEqual([{ collection: 'lights', id: 'lamp' }]);
    expect(paletteItems(studio, 'no such thing')).toEqual([]);
  });
});
