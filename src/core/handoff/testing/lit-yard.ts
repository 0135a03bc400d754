/** A small scene with something of everything that exports tell: a wall, lights that flicker, a lamp, occluders, and a day. */
import { zlibSync } from 'fflate';
import { newCircuit } from '../../scene/records/circuit';
import { newCue } from '../../scene/records/cue';
import { newLamp } from '../../scene/records/lamp';
import { newLight } from '../../scene/records/light';
import { newLightPart } from '../../scene/records/luminaire';
import { newOccluder } from '../../scene/records/occluder';
import { newSprite } from '../../scene/records/sprite';
import { newWick } from '../../scene/records/wick';
import { newScene } from '../../scene/new-scene';
import type { SceneDocument } from '../../scene/document';
import { drawHere } from '../draw-here';
import type { ExportHost, ExportSource } from '../exports/kind';
import type { SceneSettings } from '../../scene/records/settings';

export const SQUARE = [30, 10, 40, 10, 40, 20, 30, 20];
export const LINE = [5, 30, 12, 30, 12, 34];

/** @param settings beside a gate of 48 x 36 px of pixel art */
export function litYard(settings: Partial<SceneSettings> = {}): SceneDocument {
  const scene = newScene({ gateWidthPx: 48, gateHeightPx: 36, pixelArt: true, clockHours: 20, ...settings });
  const place = { planeId: 'plane-middle', order: 'a' };
  scene.sprites.wall = newSprite({
    ...{ name: 'Wall', ...place, artworkId: null, x: 24, y: 18 },
    plain: { colour: '#b0a090', widthPx: 48, heightPx: 36 },
  });
  scene.wicks.breeze = newWick({
    name: 'Breeze',
    kind: 'breeze',
    seed: 3,
    loopSeconds: 2,
    levelLow: 0.5,
    warmthLow: -0.5,
  });
  scene.wicks.pulse = newWick({ name: 'Pulse', kind: 'pulse', seed: 1, loopSeconds: 3 });
  scene.circuits.lamps = newCircuit({
    name: 'Lamps',
    order: 'b',
    switching: 'hours',
    onHours: 18,
    offHours: 6,
  });
  scene.lights.stove = newLight({
    ...{ name: 'Stove', ...place, x: 12, y: 20, wickId: 'breeze', corePx: 2, reachPx: 20, level: 2 },
  });
  scene.lights.spot = newLight({
    ...{ name: 'Spot', ...place, x: 20, y: 5, kind: 'spot', bearingDeg: 60, beamDeg: 30, fieldDeg: 80 },
    ...{ reachPx: 40, curve: 'eased', level: 0.75, circuitIds: ['lamps'] },
  });
  scene.lights.sun = newLight({ name: 'Sun', ...place, x: 0, y: 0, kind: 'sun', level: 0.2 });
  scene.luminaires.lantern = {
    name: 'Lantern',
    lights: [newLightPart({ id: 'flame', name: 'Flame', reachPx: 10, wick: scene.wicks.pulse })],
    flames: [],
  };
  scene.lamps.one = newLamp({ name: 'First', ...place, luminaireId: 'lantern', x: 40, y: 30 });
  const stops = { name: 'Post & rail', planeId: 'plane-middle' };
  scene.occluders.post = newOccluder({ ...stops, kind: 'closed', outlines: [SQUARE] });
  scene.occluders.rail = newOccluder({ ...stops, kind: 'line', outlines: [LINE] });
  scene.cues.dawn = newCue({ clockHours: 6, ambientLevel: 0.3, ambientColour: '#8090c0' });
  scene.cues.noon = newCue({ clockHours: 12, ambientLevel: 1, ambientColour: '#ffffff', exposureStops: 0.5 });
  scene.cues.night = newCue({
    clockHours: 22,
    ambientLevel: 0.1,
    ambientColour: '#304080',
    exposureStops: 0,
  });
  return scene;
}

export function yardSource(scene: SceneDocument): ExportSource {
  return { name: 'Lit yard', scene, files: new Map() };
}

export const HOST: ExportHost = { deflate: (bytes) => zlibSync(bytes), progress: () => {}, draw: drawHere };
