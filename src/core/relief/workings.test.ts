import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { recipeWith, type Recipe } from './recipe';
import { reliefOf } from './relief-of';
import { plainSource, type ReliefSource } from './source';
import { shapeImage } from './testing/shapes';
import { strokeWith } from './testing/strokes';
import { apart, Workings } from './workings';

describe('a step that is remembered', () => {
  it('stands while what it is made of is the same thing, and no longer', () => {
    const { remember } = new Workings();
    let made = 0;
    const art = new Uint8Array(4);
    const ask = (...of: unknown[]) => remember('depth', of, () => ++made);
    expect([ask(art, 2), ask(art, 2), ask(art, 3), ask(art, 3), ask(art, 2)]).toEqual([1, 1, 2, 2, 3]);
    expect(ask(art.slice(), 2)).toBe(4);
    expect(ask(art)).toBe(5);
    expect([ask(Number.NaN), ask(Number.NaN)]).toEqual([6, 6]);
  });

  it('is one of its name, and another for another relief', () => {
    const { remember } = new Workings();
    expect(remember('depth', [1], () => 'own')).toBe('own');
    expect(apart(remember, 'lender')('depth', [1], () => 'lent')).toBe('lent');
    expect(remember('parts', [1], () => 'parts')).toBe('parts');
    expect(remember('depth', [1], () => 'new')).toBe('own');
  });

  it('that fails is made again', () => {
    const { remember } = new Workings();
    const fail = () =>
      remember<number>('depth', [1], () => {
        throw new Error('stopped');
      });
    expect(fail).toThrow('stopped');
    expect(remember('depth', [1], () => 7)).toBe(7);
  });
});

const [W, H] = [26, 22];
const arts = [0, 1].map((seed) => {
  const image = shapeImage(
    W,
    H,
    (x, y) => (x - 13) ** 2 + (y - 11) ** 2 < 90 - 20 * seed && Math.abs(x - 12) > 0.7,
  );
  for (let i = 0; i < W * H; i++) {
    const tone = 60 + ((i * 7 + seed * 31) % 5) * 30;
    image.data.set([tone, 90, i % W < 13 ? 60 : 140], 4 * i);
  }
  return image;
});

const pick = <T>(...some: T[]) => fc.constantFrom(...some);
const recipes: fc.Arbitrary<Recipe> = fc
  .record({
    kind: pick('none', 'bevel', 'inflate'),
    profile: pick('round', 'chamfer'),
    widthPx: pick(3, 6),
    fullness: pick(0.5, 1),
    regions: pick('silhouette', 'outlines', 'colours'),
    partShare: pick(0, 0.4, 1),
    heightPx: pick(0, 2),
    smoothPx: pick(0, 1.5),
    outlineGuard: pick(0, 0.7),
    octaves: pick([1, 0, 0, 0, 0], [1, 0.8, 0.5, 0.3, 0.1], [0, 0, -1, 0, 0]),
    seamless: pick('none', 'x', 'both'),
    pixelArt: pick('yes', 'no'),
    mute: fc.boolean(),
    swatchPx: pick(0, 1.5),
    sandingPx: pick(0, 1),
    strength: pick(1, 2),
  })
  .map((of) =>
    recipeWith({
      body: {
        kind: of.kind as Recipe['body']['kind'],
        profile: of.profile as Recipe['body']['profile'],
        widthPx: of.widthPx,
        fullness: of.fullness,
        regions: of.regions as Recipe['body']['regions'],
        partShare: of.partShare,
      },
      grain: {
        heightPx: of.heightPx,
        smoothPx: of.smoothPx,
        outlineGuard: of.outlineGuard,
        octaves: of.octaves,
      },
      seamless: of.seamless as Recipe['seamless'],
      pixelArt: of.pixelArt as Recipe['pixelArt'],
      swatches: [{ colour: '#5a5a3c', heightPx: of.swatchPx, mute: of.mute, glow: 0 }],
      sandingPx: of.sandingPx,
      strength: of.strength,
    }),
  );

const sources: fc.Arbitrary<ReliefSource> = fc
  .record({
    recipe: recipes,
    art: pick(...arts),
    lender: fc.option(recipes, { freq: 3, nil: null }),
    parted: fc.boolean(),
    painted: fc.boolean(),
  })
  .map(({ recipe, art, lender, parted, painted }) => ({
    ...plainSource(art, recipe),
    borrowed: lender && plainSource(arts[0], lender),
    partStrokes: parted ? [{ kind: 'split' as const, points: [0, 11, 26, 11] }] : [],
    layers: painted ? [[{ stroke: strokeWith({ points: [8, 8, 1, 15, 9, 1] }), pasted: null }]] : [],
  }));

const bits = ({ buffer }: Float32Array | Uint8Array) => Buffer.from(buffer);

describe('a relief made with what is remembered', () => {
  it('is the same, bit for bit, as one made anew, whatever was made before', () => {
    fc.assert(
      fc.property(fc.array(sources, { minLength: 2, maxLength: 5 }), (row) => {
        const { remember } = new Workings();
        for (const source of row) {
          const kept = reliefOf(source, undefined, remember);
          const anew = reliefOf(source);
          // One by one they are compared by the test runner at a hundredth of the speed.
          expect(bits(kept.heights).equals(bits(anew.heights))).toBe(true);
          expect(bits(kept.normals).equals(bits(anew.normals))).toBe(true);
        }
      }),
      { numRuns: 40 },
    );
  }, 90_000);

  it('does not ask again for a form when only its grain changes, nor for grain when only its form does', () => {
    const { remember } = new Workings();
    const asked: string[] = [];
    const counting: typeof remember = (step, of, make) =>
      remember(step, of, () => {
        asked.push(step);
        return make();
      });
    const make = (fields: Parameters<typeof recipeWith>[0]) => {
      asked.length = 0;
      reliefOf(
        plainSource(
          arts[0],
          recipeWith({ pixelArt: 'no', ...fields, body: { kind: 'inflate', ...fields?.body } }),
        ),
        undefined,
        counting,
      );
      return [...asked];
    };
    expect(make({})).toEqual(
      expect.arrayContaining(['silhouette', 'tone', 'full', 'clean tone', 'smoothings']),
    );
    expect(make({ grain: { heightPx: 3, smoothPx: 2 } })).toEqual(['clean tone', 'smoothings']);
    expect(make({ grain: { heightPx: 3, smoothPx: 2 }, body: { fullness: 0.4 } })).toEqual([]);
    expect(make({ grain: { heightPx: 1, smoothPx: 2 }, strength: 2, sandingPx: 2 })).toEqual([]);
    expect(make({ grain: { heightPx: 1, smoothPx: 2 }, body: { kind: 'bevel', widthPx: 5 } })).toEqual([
      'depth',
    ]);
  });
});
