import { describe, expect, it, vi } from 'vitest';
import type { Image } from '@/core/raster/image';
import type { ReliefJob } from '@/core/relief/job';
import { recipeWith } from '@/core/relief/recipe';
import type { SceneDocument } from '@/core/scene/document';
import { newScene } from '@/core/scene/new-scene';
import { newArtwork } from '@/core/scene/records/artwork';
import { newLight } from '@/core/scene/records/light';
import { newRelief } from '@/core/scene/records/relief';
import { PictureStore } from './pictures';

const image: Image = { width: 1, height: 1, data: Uint8Array.of(9, 9, 9, 255) };
const settle = async () => {
  for (let i = 0; i < 20; i++) await Promise.resolve();
};

const noTable = () => Promise.reject(new Error('there is none'));

function setUp() {
  const calls: string[] = [];
  let broken = false;
  const store = new PictureStore({
    decode: async () => {
      if (broken) throw new Error('away');
      return image;
    },
    relief: async ({ imageSha, recipe, glowSha }: ReliefJob) => {
      calls.push(`${imageSha} ${recipe.strength}`);
      return {
        normals: Uint8Array.of(recipe.strength * 10, 128, 255, 255),
        heights: new Float32Array(1),
        glow: glowSha === null ? null : Uint8Array.of(9),
        remarks: ['flat'],
        took: 0,
      };
    },
    benchRelief: async () => null,
    rim: async () => new Uint8Array([7]),
    table: noTable,
  });
  return { store, calls, breakIt: (is: boolean) => (broken = is) };
}

function sceneWith(strength: number): SceneDocument {
  const scene = newScene();
  scene.artworks.a = newArtwork({
    name: '',
    imageSha: 'sha',
    widthPx: 1,
    heightPx: 1,
    pixelArt: true,
    glowSha: 'glow',
  });
  scene.reliefs.a = newRelief({ recipe: recipeWith({ strength }) });
  return scene;
}

describe('pictures', () => {
  it('come with relief and glow, and are heard of', async () => {
    const { store } = setUp();
    let heard = 0;
    store.subscribe(() => heard++);
    store.follow(sceneWith(1));
    expect(store.source('a')).toBeNull();
    await settle();
    expect(store.source('a')).toMatchObject({
      normal: Uint8Array.of(10, 128, 255, 255),
      glow: Uint8Array.of(9),
    });
    expect([heard, store.isComplete]).toEqual([1, true]);
  });

  it('without a relief glow as far as their mask is covered', async () => {
    const mask: Image = { width: 1, height: 1, data: Uint8Array.of(200, 0, 0, 128) };
    const work = {
      relief: async () => null,
      benchRelief: async () => null,
      rim: async () => null,
      table: noTable,
    };
    const store = new PictureStore({ ...work, decode: async (sha) => (sha === 'glow' ? mask : image) });
    store.follow({ ...sceneWith(1), reliefs: {} });
    await settle();
    expect(store.source('a')!.glow).toEqual(Uint8Array.of(100));
  });

  it('get masks of their rims from when a light gives to rims', async () => {
    const { store } = setUp();
    const scene = sceneWith(1);
    store.follow(scene);
    await settle();
    expect(store.source('a')!.rim).toBeNull();
    const light = newLight({ name: '', planeId: 'plane-near', order: 'a', x: 0, y: 0, rim: true });
    store.follow({ ...scene, lights: { l: light } });
    // What is drawn now is not yet the whole picture.
    expect(store.isComplete).toBe(false);
    await settle();
    expect(store.isComplete).toBe(true);
    expect(store.source('a')!.rim).toEqual(Uint8Array.of(7));
    expect(store.source('a')!.normal![0]).toBe(10);
  });

  it('are complete only with the masks of their rims', async () => {
    let finish = (_: Uint8Array) => {};
    const mask = new Promise<Uint8Array>((resolve) => (finish = resolve));
    const relief = async () => ({
      ...{ normals: Uint8Array.of(1), heights: new Float32Array(1), glow: null },
      ...{ remarks: [], took: 0 },
    });
    const work = { decode: async () => image, relief, benchRelief: relief, rim: () => mask, table: noTable };
    const store = new PictureStore(work);
    const light = newLight({ name: '', planeId: 'plane-near', order: 'a', x: 0, y: 0, rim: true });
    store.follow({ ...sceneWith(1), lights: { l: light } });
    await settle();
    expect([store.source('a')!.normal![0], store.isComplete]).toEqual([1, false]);
    finish(Uint8Array.of(7));
    await settle();
    expect([store.source('a')!.rim![0], store.isComplete]).toEqual([7, true]);
  });

  it('are made anew only when the recipe changed, and stand as they were meanwhile', async () => {
    const { store, calls } = setUp();
    const scene = sceneWith(1);
    store.follow(scene);
    await settle();
    store.follow({ ...scene, artworks: { a: { ...scene.artworks.a, name: 'Another name' } } });
    await settle();
    expect(calls).toEqual(['sha 1']);
    store.follow({ ...scene, reliefs: { a: newRelief({ recipe: recipeWith({ strength: 2 }) }) } });
    expect(store.source('a')!.normal![0]).toBe(10);
    await settle();
    expect(calls).toEqual(['sha 1', 'sha 2']);
    expect(store.source('a')!.normal![0]).toBe(20);
  });

  it('of an older recipe never stand above those of a newer one', async () => {
    const { store } = setUp();
    store.follow(sceneWith(3));
    store.follow(sceneWith(4));
    await settle();
    expect(store.source('a')!.normal![0]).toBe(40);
  });

  it('are shown bare when their relief takes its time, and with it when it is made', async () => {
    vi.useFakeTimers();
    let finish = () => {};
    const made = new Promise<void>((resolve) => (finish = resolve));
    const store = new PictureStore({
      decode: async () => image,
      relief: async () => {
        await made;
        return { normals: Uint8Array.of(1), heights: new Float32Array(1), glow: null, remarks: [], took: 0 };
      },
      benchRelief: async () => null,
      rim: async () => null,
      table: noTable,
    });
    const scene = sceneWith(1);
    scene.artworks.a = { ...scene.artworks.a, glowSha: null };
    store.follow(scene);
    await settle();
    expect(store.source('a')).toBeNull();
    await vi.advanceTimersByTimeAsync(200);
    expect([store.source('a')?.normal, store.isComplete]).toEqual([null, false]);
    vi.useRealTimers();
    finish();
    await settle();
    expect([store.source('a')?.normal, store.isComplete]).toEqual([Uint8Array.of(1), true]);
  });

  it('that cannot be loaded say so, and are asked for again when they are wanted again', async () => {
    const { store, breakIt } = setUp();
    breakIt(true);
    store.follow(sceneWith(1));
    await settle();
    expect(store.faultOf('a')).toBe('away');
    expect(store.isComplete).toBe(true);
    breakIt(false);
    store.follow(newScene());
    store.follow(sceneWith(1));
    await settle();
    expect(store.source('a')).not.toBeNull();
    breakIt(true);
    store.follow(newScene());
    store.follow(sceneWith(1));
    await settle();
    breakIt(false);
    store.retryAll();
    await settle();
    expect([store.faultOf('a'), store.source('a') === null]).toEqual([null, false]);
  });

  it('that failed are made once more when they are told to', async () => {
    const { store, breakIt } = setUp();
    breakIt(true);
    store.follow(sceneWith(1));
    await settle();
    store.retry('a');
    await settle();
    expect([store.faultOf('a'), store.source('a')]).toEqual(['away', null]);
    breakIt(false);
    store.retry('a');
    await settle();
    expect(store.faultOf('a')).toBeNull();
    expect(store.source('a')).not.toBeNull();
    store.retry('gone');
    expect(store.faultOf('gone')).toBeNull();
  });
});
