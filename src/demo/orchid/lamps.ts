/** The lamps of the Orchid House, all of them luminaires of the shelf, their circuits, and its day. */
import type { SceneDocument } from '@/core/scene/document';
import { HOUSE_CIRCUIT, newCircuit } from '@/core/scene/records/circuit';
import { newCue, type Cue } from '@/core/scene/records/cue';
import { newLamp, type Lamp } from '@/core/scene/records/lamp';
import { newLight, type Light } from '@/core/scene/records/light';
import { hash01 } from '@/core/time/noise';
import { readyLuminaire, type ReadyLuminaireId } from '@/ready/all-luminaires';
import { readyRecords } from '@/ready/luminaire';
import type { Paint } from '@/ready/paint';

const WARM = 'warm-house';
const COOL = 'cool-house';
const HEAT = 'heating';
const GROW = 'grow-lamps';
/** Only the gardener's lamp feeds it: what listens to nothing else is found by it alone. */
export const LANTERN = 'lantern';

type Hang = (id: ReadyLuminaireId, x: number, y: number, fields?: Partial<Lamp>) => void;

export function placeLamps(document: SceneDocument, keep: (paint: Paint) => string): void {
  document.circuits[WARM] = newCircuit({
    ...{
      name: 'Warm house',
      order: 'a2',
      switching: 'sun',
      onBelowDeg: 3,
      spreadMinutes: 18,
      fadeSeconds: 30,
    },
  });
  document.circuits[COOL] = newCircuit({
    ...{
      name: 'Cool house',
      order: 'a3',
      switching: 'sun',
      onBelowDeg: 1,
      spreadMinutes: 14,
      fadeSeconds: 30,
    },
  });
  document.circuits[HEAT] = newCircuit({
    ...{ name: 'Heating', order: 'a4', switching: 'hours', onHours: 20, offHours: 8, fadeSeconds: 600 },
  });
  document.circuits[GROW] = newCircuit({
    ...{ name: 'Grow lamps', order: 'a5', switching: 'hours', onHours: 21, offHours: 5 },
  });
  document.circuits[LANTERN] = newCircuit({ name: 'Lantern', order: 'a6' });
  const hang: Hang = (id, x, y, fields = {}) => {
    if (!document.luminaires[id]) {
      const { luminaire, artworks } = readyRecords(readyLuminaire(id), id, keep);
      document.luminaires[id] = luminaire;
      Object.assign(document.artworks, artworks);
    }
    const count = Object.keys(document.lamps).length;
    const own = Object.values(document.lamps).filter(({ luminaireId }) => luminaireId === id).length;
    document.lamps[`lamp-${count}`] = newLamp({
      ...{ name: `${document.luminaires[id].name} ${own + 1}`, luminaireId: id, planeId: 'plants', x, y },
      order: `a${String(count).padStart(3, '0')}`,
      spanFarId: 'garden',
      ...fields,
    });
  };
  hangOverPaths(hang);
  heat(hang);
  glow(hang);
  placeOwnLights(document);
}

function hangOverPaths(hang: Hang): void {
  const warm = { circuitIds: [HOUSE_CIRCUIT, WARM] };
  const cool = { circuitIds: [HOUSE_CIRCUIT, COOL] };
  for (const [x, y] of [
    [96, 88],
    [214, 84],
    [96, 176],
    [214, 176],
    [60, 132],
    [246, 132],
  ])
    hang('oil-lamp', x, y, { ...warm, planeId: 'people' });
  for (const [x, y] of [
    [300, 74],
    [418, 74],
    [300, 198],
    [418, 198],
  ])
    hang('gas-mantle', x, y, cool);
  for (const y of [100, 170]) hang('carriage-lamp', PARTITION_EDGE, y, { ...warm, flipX: true });
  hang('signal-lens', 438, 138, { ...cool, turnDeg: 180 });
  hang('roof-light', 184, 222, { ...warm, turnDeg: 180 });
  hang('failing-tube', 214, 204, { ...warm });
  hang('carbide-lamp', 336, 214, { ...cool });
  hang('oil-lamp', 0, 0, {
    ...{ name: 'Gardener’s lamp', planeId: 'people', circuitIds: [HOUSE_CIRCUIT, LANTERN] },
    hangsOn: { spriteId: 'gardener', bracketId: 'hand' },
    // It is held low, and lights further than those of its kind.
    overrides: { flame: { reachPx: 96, level: 2.8, heightPx: 16 } },
  });
}

const PARTITION_EDGE = 268;

function heat(hang: Hang): void {
  const on = { circuitIds: [HOUSE_CIRCUIT, HEAT], planeId: 'floor' };
  for (const [x, y] of [
    [60, 40],
    [128, 40],
    [200, 40],
    [60, 234],
    [128, 234],
    [236, 234],
    [330, 36],
    [386, 36],
    [330, 236],
    [386, 236],
  ])
    hang('greenhouse-heater', x, y, on);
  hang('paraffin-stove', 44, 216, on);
  hang('paraffin-stove', 256, 50, on);
  hang('paraffin-stove', 436, 222, on);
  hang('ember-bed', 252, 214, on);
}

/** Glow-worms in the beds, and the moon through the roof. */
function glow(hang: Hang): void {
  const worms: [number, number][] = [];
  for (let i = 0; i < 12; i++)
    worms.push([306 + 104 * hash01(811, i), (i % 2 === 0 ? 90 : 172) + 16 * hash01(812, i)]);
  for (let i = 0; i < 8; i++) worms.push([122 + 56 * hash01(813, i), 112 + 48 * hash01(814, i)]);
  for (const [x, y] of worms) hang('glow-worm', Math.round(x), Math.round(y));
  for (const [i, [x, y]] of [
    [92, 128],
    [204, 136],
    [330, 120],
    [410, 160],
  ].entries())
    hang('moon-through-glass', x, y, {
      circuitIds: [HOUSE_CIRCUIT],
      name: `Moon through glass ${i + 1}`,
    });
}

function placeOwnLights(document: SceneDocument): void {
  const add = (id: string, fields: Partial<Light> & Pick<Light, 'name' | 'x' | 'y'>) => {
    const count = Object.keys(document.lights).length;
    document.lights[id] = newLight({ planeId: 'plants', order: `a${count}`, ...fields });
  };
  add('sun', {
    ...{ name: 'Sun', kind: 'sun', follows: 'sun', x: 40, y: 8, colour: '#fff2d8', level: 0.8 },
    ...{ shadowOpacity: 0.75, shadowColour: '#24384a' },
  });
  add('moon', {
    ...{ name: 'Moon', kind: 'sun', follows: 'moon', x: 60, y: 8, colour: '#8fa8ff', level: 0.1 },
    shadowOpacity: 0.6,
  });
  for (const [i, x] of [335, 362, 389].entries())
    add(`pond-${i}`, {
      ...{ name: `Pond light ${i + 1}`, x, y: 138 + (i % 2) * 6, colour: '#4fd8c8', level: 0.8, corePx: 4 },
      ...{ reachPx: 46, heightPx: 8, air: 0.06, shadows: false, planeId: 'floor' },
      ...{ circuitIds: [HOUSE_CIRCUIT, COOL] },
    });
  for (const [i, [x, y]] of [
    [236, 212],
    [396, 216],
  ].entries())
    add(`grow-${i}`, {
      ...{ name: `Grow lamp ${i + 1}`, kind: 'area', x, y, colour: '#c85cff', level: 1 },
      ...{ outlines: [[-13, -8, 13, -8, 13, 8, -13, 8]], featherPx: 26, heightPx: 24, shadows: false },
      ...{ air: 0.05, circuitIds: [HOUSE_CIRCUIT, GROW] },
    });
}

export function placeDay(document: SceneDocument): void {
  const cue = (clockHours: number, ambientColour: string, ambientLevel: number, rest: Partial<Cue> = {}) =>
    newCue({ clockHours, ambientColour, ambientLevel, ...rest });
  document.cues = {
    'cue-deep-night': cue(1, '#42589a', 0.18, { mistStrength: 0.25, mistCover: 0.4, moonLevel: 0.12 }),
    'cue-dawn': cue(5.75, '#8c9cc0', 0.34, {
      sunColour: '#ff9c66',
      sunLevel: 0.4,
      mistStrength: 0.5,
      mistCover: 0.5,
    }),
    'cue-morning': cue(8.5, '#c4d4dc', 0.55, { sunColour: '#ffe0b0', sunLevel: 0.7, mistStrength: 0.1 }),
    'cue-noon': cue(13, '#dce8ea', 0.68, {
      ...{ sunColour: '#fff8ea', sunLevel: 0.8, mistStrength: 0, bloomLevel: 0.18, vignetteLevel: 0.14 },
    }),
    'cue-evening': cue(18, '#c8a8a0', 0.42, { sunColour: '#ffae70', sunLevel: 0.7 }),
    'cue-night': cue(20.5, '#4c66a4', 0.24, {
      ...{ mistStrength: 0.15, mistCover: 0.35, bloomLevel: 0.4, vignetteLevel: 0.3 },
    }),
  };
}
