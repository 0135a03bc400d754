import { describe, expect, it } from 'vitest';
import { newScene } from '@/core/scene/new-scene';
import { newLamp } from '@/core/scene/records/lamp';
import { newLight } from '@/core/scene/records/light';
import { channelsOf, isGroup, membersOf, type ChannelWishes } from './channels';

const WISHES: ChannelWishes = {
  ...{ query: '', order: 'desk', fold: 'none' },
  openGroups: new Set(),
  costs: new Map(),
};

function scene() {
  const made = newScene();
  const light = (name: string, order: string, x: number, fields = {}) =>
    newLight({ name, planeId: 'plane-near', order, x, y: 0, ...fields });
  made.lights = {
    a: light('Lamp 10', 'a', 300, { setIds: ['row'] }),
    b: light('Lamp 9', 'b', 100, { setIds: ['row'] }),
    c: light('Beacon', 'c', 200),
    sun: light('Sun', 'd', 0, { kind: 'sun' }),
  };
  made.sets.row = { name: 'Front row', order: 'a' };
  made.luminaires.oil = { name: 'Oil lamp', lights: [], flames: [] };
  for (const id of ['l1', 'l2'])
    made.lamps[id] = newLamp({
      ...{ name: `Wall ${id}`, luminaireId: 'oil', planeId: 'plane-near', order: id, x: 50, y: 0 },
    });
  return made;
}

const names = (wishes: Partial<ChannelWishes>) =>
  channelsOf(scene(), { ...WISHES, ...wishes }).map((entry) =>
    isGroup(entry) ? `${entry.name} (${entry.members.length})` : entry.id,
  );

describe('the channels', () => {
  it('stand as they were placed, suns first', () => {
    expect(names({})).toEqual(['sun', 'a', 'b', 'c', 'l1', 'l2']);
  });
  it('stand by place, by name as people count, and by cost', () => {
    expect(names({ order: 'place' })).toEqual(['sun', 'l1', 'l2', 'b', 'c', 'a']);
    expect(names({ order: 'name' })).toEqual(['sun', 'c', 'b', 'a', 'l1', 'l2']);
    expect(
      names({
        order: 'cost',
        costs: new Map([
          ['c', 1],
          ['l2', 0.5],
        ]),
      }).slice(1, 3),
    ).toEqual(['c', 'l2']);
  });
  it('are found by their own name, their luminaire’s and their sets’', () => {
    expect(names({ query: 'beac' })).toEqual(['c']);
    expect(names({ query: 'OIL' })).toEqual(['l1', 'l2']);
    expect(names({ query: 'front' })).toEqual(['a', 'b']);
    expect(names({ query: 'nothing' })).toEqual([]);
  });
  it('are folded by luminaire and by set, and unfolded beside their fold', () => {
    expect(names({ fold: 'luminaire' })).toEqual(['sun', 'a', 'b', 'c', 'Oil lamp (2)']);
    expect(names({ fold: 'set', openGroups: new Set(['row']) })).toEqual([
      ...['sun', 'Front row (2)', 'a', 'b', 'c', 'l1', 'l2'],
    ]);
    const [group] = channelsOf(scene(), { ...WISHES, fold: 'luminaire', query: 'wall' });
    expect(membersOf(group).map(({ id }) => id)).toEqual(['l1', 'l2']);
  });
  it('of one member are no fold', () => {
    expect(names({ fold: 'set', query: 'lamp 9' })).toEqual(['b']);
  });
});
