import { describe, expect, it } from 'vitest';
import { recipeWith } from '@/core/relief/recipe';
import { strokeWith } from '@/core/relief/testing/strokes';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import { newRelief } from '@/core/scene/records/relief';
import { remove } from '@/core/scene/edits';
import { fakeStudio } from '../testing/fake-studio';
import { commandOf } from '../commands/all-commands';
import { deleteEdits } from './delete-edits';
import { LongWork } from './long-work';
import {
  addLayer,
  addPartStroke,
  borrowing,
  changeLayer,
  chooseLayer,
  clearStrokes,
  deleteLayer,
  layerPlace,
  moveLayer,
  setRecipe,
  setRelief,
  strokeEdits,
  strokeLayer,
} from './relief-edits';

function studioWith(ids: string[]) {
  const scene = newScene();
  for (const id of ids) {
    scene.artworks[id] = newArtwork({
      name: id,
      imageSha: id.repeat(64),
      widthPx: 8,
      heightPx: 8,
      pixelArt: true,
    });
    scene.reliefs[id] = newRelief({ recipe: recipeWith({}) });
  }
  const studio = fakeStudio(scene);
  const paint = (id: string) =>
    studio.scenes.transact({
      label: 'Raise',
      edits: strokeEdits(studio, id, strokeWith({ points: [1, 1, 1] })),
    });
  return { studio, paint, relief: (id: string) => studio.scene.reliefs[id] };
}

describe('strokes', () => {
  it('make a layer when there is none, note their art, and stand in order', () => {
    const { studio, paint, relief } = studioWith(['a']);
    paint('a');
    paint('a');
    expect(relief('a').layers.length).toBe(1);
    expect(relief('a').madeForSha).toBe('a'.repeat(64));
    const orders = Object.values(studio.scene.strokes).map(({ order }) => order);
    expect(orders.toSorted()).toEqual(orders);
    expect(new Set(orders).size).toBe(2);
    studio.scenes.undo();
    studio.scenes.undo();
    expect([relief('a').layers, studio.scene.strokes]).toEqual([[], {}]);
  });

  it('go to the layer that is chosen, and never to a hidden one', () => {
    const { studio, paint, relief } = studioWith(['a']);
    const low = addLayer(studio, 'a')!;
    const high = addLayer(studio, 'a', 'Rivets')!;
    expect(strokeLayer(studio, 'a')!.id).toBe(high);
    changeLayer(studio, 'Hide', 'a', high, { hidden: true });
    paint('a');
    expect(Object.values(studio.scene.strokes)[0].layerId).toBe(low);
    moveLayer(studio, 'a', low, 1);
    expect(relief('a').layers.map(({ id }) => id)).toEqual([high, low]);
    moveLayer(studio, 'a', low, 1);
    expect(relief('a').layers.map(({ id }) => id)).toEqual([high, low]);
    deleteLayer(studio, 'a', low);
    expect(studio.scene.strokes).toEqual({});
    studio.scenes.undo();
    expect(Object.keys(studio.scene.strokes).length).toBe(1);
  });

  it('know how many layers show below theirs', () => {
    const { studio, paint } = studioWith(['a']);
    expect(layerPlace(studio, 'a')).toEqual({ below: 0, upTo: 0 });
    const [low, middle, high] = ['Low', 'Middle', 'High'].map((name) => addLayer(studio, 'a', name)!);
    for (const id of [low, high]) {
      chooseLayer(studio, 'a', id);
      paint('a');
    }
    expect(layerPlace(studio, 'a')).toEqual({ below: 1, upTo: 2 });
    chooseLayer(studio, 'a', middle);
    expect(layerPlace(studio, 'a')).toEqual({ below: 1, upTo: 1 });
    changeLayer(studio, 'Hide', 'a', low, { hidden: true });
    expect(layerPlace(studio, 'a')).toEqual({ below: 0, upTo: 0 });
  });

  it('are taken away together, and go with their artwork', () => {
    const { studio, paint, relief } = studioWith(['a', 'b']);
    paint('a');
    paint('b');
    addPartStroke(studio, 'a', { kind: 'join', points: [0, 0, 4, 4] });
    clearStrokes(studio, 'a');
    expect([relief('a').layers, relief('a').partStrokes]).toEqual([[], []]);
    expect(Object.values(studio.scene.strokes).map(({ artworkId }) => artworkId)).toEqual(['b']);
    studio.scenes.transact({
      label: 'Delete',
      edits: deleteEdits(studio, [{ collection: 'artworks', id: 'b' }]),
    });
    expect([studio.scene.strokes, studio.scene.reliefs.b]).toEqual([{}, undefined]);
  });

  it('that part a body whose parts count for nothing let them count', () => {
    const { studio, relief } = studioWith(['a']);
    setRecipe(studio, 'x', ['a'], recipeWith({ body: { partShare: 0 } }));
    addPartStroke(studio, 'a', { kind: 'split', points: [0, 0, 4, 4] });
    expect(relief('a').recipe.body.partShare).toBe(0.5);
  });
});

describe('a recipe', () => {
  it('is set on many in one step, on those without a relief too', () => {
    const { studio, relief } = studioWith(['a', 'b']);
    studio.scenes.transact({ label: 'x', edits: [remove(studio.scene, 'reliefs', 'b')] });
    setRecipe(studio, 'Bold', ['a', 'b'], recipeWith({ strength: 3 }));
    expect([relief('a').recipe.strength, relief('b').recipe.strength]).toEqual([3, 3]);
    studio.scenes.undo();
    expect([relief('a').recipe.strength, relief('b')]).toEqual([1, undefined]);
  });

  it('is used again by those that borrowed from an artwork that goes', () => {
    const { studio, relief } = studioWith(['a', 'b', 'c']);
    for (const [id, lender] of [
      ['b', 'a'],
      ['c', 'b'],
    ])
      setRelief(studio, 'Borrow', id, borrowing(relief(id), lender));
    expect(relief('b')).toMatchObject({ borrowedId: 'a', recipe: { grain: { share: 0 } } });
    const drop = (id: string) =>
      studio.scenes.transact({
        label: 'Delete',
        edits: deleteEdits(studio, [{ collection: 'artworks', id }]),
      });
    drop('a');
    expect(relief('b')).toMatchObject({ borrowedId: null, recipe: { grain: { share: 1 } } });
    expect(relief('c').borrowedId).toBe('b');
    studio.scenes.undo();
    expect(relief('b')).toMatchObject({ borrowedId: 'a', recipe: { grain: { share: 0 } } });
    // A borrower that goes together with its lender is only taken away.
    const both = deleteEdits(studio, [
      { collection: 'artworks', id: 'a' },
      { collection: 'artworks', id: 'b' },
    ]);
    studio.scenes.transact({ label: 'Delete', edits: both });
    expect(Object.keys(studio.scene.reliefs)).toEqual(['c']);
    expect(relief('c').borrowedId).toBeNull();
  });
});

describe('keys of the bench', () => {
  it('walk the contact sheet and change the brush', () => {
    const { studio } = studioWith(['a', 'b', 'c']);
    studio.desk.setState({ bench: 'relief', artworkId: 'a' });
    commandOf('relief-next').run(studio);
    expect(studio.desk.getState().artworkId).toBe('b');
    commandOf('relief-last').run(studio);
    commandOf('relief-last').run(studio);
    expect(studio.desk.getState().artworkId).toBe('a');
    studio.reliefBench.setState({ sizePx: 2 });
    commandOf('relief-larger').run(studio);
    commandOf('relief-smaller').run(studio);
    commandOf('relief-smaller').run(studio);
    commandOf('relief-smaller').run(studio);
    expect(studio.reliefBench.getState().sizePx).toBe(1);
    commandOf('relief-wipe').run(studio);
    expect(studio.reliefBench.getState().wipe).toEqual({ view: 'lit', side: 'before' });
  });
});

describe('work on many', () => {
  const items = Array.from({ length: 6 }, (_, i) => ({ id: `i${i}`, name: `Item ${i}` }));

  /** Runs something with each item. @returns whether it ran to its end, and which items ended */
  async function run(work: LongWork, width: number, each: (id: string) => void) {
    const ended: string[] = [];
    const finished = await work.run(
      'Making',
      items,
      width,
      async ({ id }) => {
        each(id);
        return id;
      },
      (_, id) => ended.push(id),
    );
    return { finished, ended };
  }

  it('notes what fails and goes on', async () => {
    const work = new LongWork();
    const result = await run(work, 2, (id) => {
      if (id === 'i2') throw new Error('broken');
    });
    expect(result).toEqual({ finished: true, ended: ['i0', 'i1', 'i3', 'i4', 'i5'] });
    expect(work.api.getState()).toMatchObject({
      title: null,
      done: 6,
      failures: [{ name: 'Item 2', why: 'broken' }],
      failedTitle: 'Making',
    });
    work.putAway();
    expect(work.api.getState().failures).toEqual([]);
  });

  it('stops when it is told to, with what was begun brought to its end', async () => {
    const work = new LongWork();
    const result = await run(work, 1, (id) => {
      if (id === 'i1') work.stop();
    });
    expect(result).toEqual({ finished: false, ended: ['i0', 'i1'] });
    expect(work.isBusy).toBe(false);
  });

  it('is one at a time', async () => {
    const work = new LongWork();
    const first = run(work, 1, () => undefined);
    await expect(run(work, 1, () => undefined)).rejects.toThrow(/still going on/);
    expect((await first).finished).toBe(true);
  });
});
