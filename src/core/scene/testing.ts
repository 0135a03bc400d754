/** A small scene with something of everything that can stand in one, for tests. */
import { cellOf } from '../art/tiles';
import { readRecipe } from '../relief/recipe';
import type { SceneDocument } from './document';
import { newScene } from './new-scene';
import { newCircuit } from './records/circuit';
import { newArtwork } from './records/artwork';
import { CHUNK_CELLS } from './records/chunk';
import { newLamp } from './records/lamp';
import { newLight } from './records/light';
import { newFlamePart, newLightPart } from './records/luminaire';
import { newOccluder } from './records/occluder';
import { newRelief } from './records/relief';
import { NEW_SHADE } from './records/shade';
import { newSprite } from './records/sprite';
import { newWick } from './records/wick';
import { newTileGrid } from './records/plane';

export const sha = (digit: string) => digit.repeat(64);

export function fullScene(): SceneDocument {
  const scene = newScene();
  const picture = (name: string, digit: string) =>
    newArtwork({ name, imageSha: sha(digit), widthPx: 20, heightPx: 20, pixelArt: true });
  const outline = {
    id: 'body',
    name: 'Body',
    kind: 'closed' as const,
    ...NEW_SHADE,
    outlines: [[2, 2, 18, 2, 18, 18, 2, 18]],
    smooth: [[0]],
    frames: [],
  };
  scene.artworks = {
    man: {
      ...picture('Man', 'a'),
      brackets: [{ id: 'hand', name: 'hand', x: 16, y: 8, turnDeg: 90, places: [] }],
      occluders: [outline],
      lamps: [{ luminaireId: 'lantern', bracketId: 'hand', x: 0, y: 0 }],
    },
    flame: picture('Flame', 'b'),
    sheet: {
      ...picture('Sheet', 'c'),
      frames: [0, 10].map((left) => ({
        name: '',
        left,
        top: 0,
        widthPx: 10,
        heightPx: 10,
        shiftX: 0,
        shiftY: 0,
        seconds: null,
      })),
      occluders: [
        {
          ...outline,
          outlines: [],
          smooth: [],
          frames: [{ frame: 1, outlines: [[0, 0, 10, 0, 10, 10, 0, 10]], smooth: [] }],
        },
      ],
    },
    spare: picture('Spare', 'd'),
  };
  scene.reliefs = {
    man: newRelief({ recipe: readRecipe({}) }),
    flame: newRelief({ recipe: readRecipe({}), borrowedId: 'man' }),
  };
  scene.luminaires.lantern = {
    name: 'Lantern',
    lights: [newLightPart({ id: 'glow', name: 'Glow', y: -4, wick: newWick({ name: 'Breeze', seed: 3 }) })],
    flames: [newFlamePart({ id: 'glass', name: 'Glass', artworkId: 'flame', glowLevel: 2 })],
  };
  scene.sets.crew = { name: 'Crew', order: 'a1' };
  scene.circuits.blue = newCircuit({ name: 'Blue', order: 'a2' });
  scene.wicks.w = newWick({ name: 'Wick', seed: 1 });
  scene.planes['plane-middle'] = {
    ...scene.planes['plane-middle'],
    tiles: newTileGrid({ artworkId: 'sheet', cellWidthPx: 10, cellHeightPx: 10 }),
  };
  scene.chunks.c = {
    planeId: 'plane-middle',
    column: 0,
    row: 0,
    cells: Array.from({ length: CHUNK_CELLS * CHUNK_CELLS }, (_, i) =>
      i < 3 ? cellOf({ frame: 1, orientation: i }) : 0,
    ),
  };
  scene.sprites = {
    man: newSprite({
      name: 'Man',
      planeId: 'plane-near',
      order: 'a1',
      artworkId: 'man',
      x: 100,
      y: 50,
      setIds: ['crew'],
    }),
    plain: newSprite({
      name: 'Board',
      planeId: 'plane-near',
      order: 'a2',
      artworkId: null,
      plain: { colour: '#336699', widthPx: 30, heightPx: 8 },
      x: 0,
      y: 0,
      circuitIds: ['blue'],
    }),
  };
  scene.lamps.carried = newLamp({
    name: 'Lantern',
    luminaireId: 'lantern',
    planeId: 'plane-near',
    order: 'a3',
    x: 0,
    y: 0,
    hangsOn: { spriteId: 'man', bracketId: 'hand' },
    overrides: { glow: { level: 3 } },
  });
  scene.lights.l = newLight({
    name: 'Lamp',
    planeId: 'plane-near',
    order: 'a1',
    x: 30,
    y: 5,
    wickId: 'w',
    circuitIds: ['blue'],
  });
  scene.occluders.o = newOccluder({
    name: 'Wall',
    planeId: 'plane-near',
    spriteId: 'man',
    kind: 'line',
    outlines: [[0, 0, 10, 10]],
    setIds: ['crew'],
  });
  return scene;
}
