import { describe, expect, it } from 'vitest';
import { NEW_LOOK } from '@/core/scene/records/light-look';
import { ISOLUX, isoluxRadius, namedIsolux } from './isolux';

describe('words of isolux lines', () => {
  const light = { ...NEW_LOOK, corePx: 2, reachPx: 100, curve: 'straight' as const, steepness: 1 };
  const named = (fields: Partial<typeof light>, roomPx: number) => [
    ...namedIsolux({ ...light, ...fields }, roomPx),
  ];

  it('stand at all lines that are far enough apart', () => {
    expect(ISOLUX.map((name) => Math.round(isoluxRadius(light, name)))).toEqual([2, 51, 88, 100]);
    expect(named({}, 5).sort()).toEqual([...ISOLUX].sort());
  });

  it('leave out the inner lines where they would touch, never the end', () => {
    expect(named({}, 13)).toEqual(['end', 'full', 'half']);
    expect(named({ corePx: 95 }, 16)).toEqual(['end']);
    expect(named({}, 1000)).toEqual(['end']);
  });
});
