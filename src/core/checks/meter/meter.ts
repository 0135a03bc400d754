/** The account of a pixel with the names of the document: what a person reads, in the studio and at the command line. */
import { finishAccountFor, lightAccountFor } from '../../light/account/account-for';
import { dependsOnOthers, finishStepsAt, type FinishedPixel } from '../../light/finished';
import { FINISH_PASSES } from '../../finish/all-passes';
import type {
  FinishAccount,
  LaterLine,
  LightAccount,
  LightLine,
  OtherLine,
} from '../../light/account/account';
import type { Moment, PictureSource } from '../../moment/moment';
import type { MomentMaker, MomentNames } from '../../moment/moment-maker';
import type { Passing } from '../../moment/passing';
import { LUMINANCE, type Rgb } from '../../raster/colour';
import type { SceneDocument } from '../../scene/document';
import type { RecordName } from '../../scene/references';
import { namedLight, namedOccluder, type NamedLight } from '../named';
import { REASONS, type Reason, type ReasonGround, type Why } from './reasons';

export interface MeterLine {
  words: string;
  /** What it is about; null is nothing that can be picked. */
  record: RecordName | null;
  /** The colour of a light, as it is set. */
  colour: string | null;
  /** What the pixel has of it, in the light space. */
  rgb: Rgb;
  /** What stops a part of it. */
  stopped: { words: string; record: RecordName }[];
}

export interface DarkLine extends Pick<MeterLine, 'words' | 'record' | 'colour'> {
  why: Why;
  reason: Reason;
}

/** A pixel, read. */
export interface Metered {
  account: LightAccount;
  /** What is seen there. */
  surface: { words: string; record: RecordName | null };
  /** What gives something, by how much it counts. */
  gives: MeterLine[];
  /** The lights that give nothing. */
  dark: DarkLine[];
  /** What becomes of the sum; null while that is worked out. */
  finish: MeteredFinish | null;
}

/** A reading with its finish. */
export type WholeReading = Metered & { finish: MeteredFinish };

export interface MeteredFinish extends Pick<FinishAccount, 'pixel'> {
  /** What is done to the sum, in words: washes and the finish. */
  later: { words: string; from: Rgb; to: Rgb }[];
}

export interface MeterGround {
  scene: SceneDocument;
  moment: Moment;
  names: MomentNames;
  source: PictureSource;
}

/** @param maker whoever made the Moment: its names are asked for with the same arguments */
export function meterGround(
  maker: MomentMaker,
  scene: SceneDocument,
  moment: Moment,
  passing: Passing,
  source: PictureSource,
): MeterGround {
  return { scene, moment, names: maker.names(scene, moment, passing), source };
}

/** A pixel, read at once and whole. @param x,y the pixel of the Moment's view */
export function metered(ground: MeterGround, x: number, y: number): WholeReading {
  const light = meteredLight(ground, x, y);
  return withFinish(ground, light, finishStepsAt(ground.moment, ground.source, x, y), x, y);
}

/** The same without what takes long: its finish is missing where that depends on other pixels. */
export function meteredQuickly(ground: MeterGround, x: number, y: number): Metered {
  return dependsOnOthers(ground.moment) ? meteredLight(ground, x, y) : metered(ground, x, y);
}

/** A reading of the same pixel with its finish. */
export function withFinish(
  { scene, moment, names, source }: MeterGround,
  reading: Metered,
  finished: FinishedPixel,
  x: number,
  y: number,
): WholeReading {
  const { later, pixel } = finishAccountFor(moment, source, reading.account, finished, x, y);
  const lines = later.map((line) => ({
    words: laterWords(line, (wash) => scene.washes[names.washes[wash]].name),
    ...{ from: line.from, to: line.to },
  }));
  return { ...reading, finish: { pixel, later: lines } };
}

function meteredLight(ground: MeterGround, x: number, y: number): Metered {
  const { scene, moment, names, source } = ground;
  const account = lightAccountFor(moment, source, x, y);
  const { surface } = account;
  const thing = surface ? names.drawn[surface.plane][surface.layer][surface.sprite] : null;
  const planeId = surface ? names.planeIds[surface.plane] : null;
  const why = { scene, thing, planeId };
  const lit = account.lights.map((line) => lightLine(ground, line));
  const others = account.others.map((line) => otherLine(ground, line));
  const gives = [...lit.filter((_, i) => account.lights[i].nothing === null), ...others]
    .filter(({ rgb }) => rgb.some((v) => v !== 0))
    .sort((a, b) => weightOf(b.rgb) - weightOf(a.rgb));
  const dark = account.lights.flatMap((line, i): DarkLine[] => {
    const { nothing } = line;
    if (!nothing) return [];
    const id = moment.lightIds[i];
    const stops = 'occluders' in nothing ? nothing.occluders : [];
    const of = {
      ...why,
      light: namedLight(scene, id),
      occluders: stops.map((at) => namedOccluder(scene, names.occluders[at])),
      circuitId: null,
    };
    return [darkLine(lit[i], nothing.why, of)];
  });
  const absent = names.absent.map(({ id, ...absence }): DarkLine => {
    const circuitId = 'circuitId' in absence ? absence.circuitId : null;
    const of = { ...why, light: namedLight(scene, id), occluders: [], circuitId };
    return darkLine(lightTold(of.light), absence.why, of);
  });
  return {
    account,
    surface: thing
      ? { words: nameOfThing(scene, thing), record: thing }
      : { words: 'The backdrop', record: null },
    gives,
    dark: [...dark, ...absent],
    finish: null,
  };
}

/** @param nameOf the name of a wash of the Moment */
function laterWords(line: LaterLine, nameOf: (wash: number) => string): string {
  if (line.what === 'wash') return `The wash “${nameOf(line.wash)}”`;
  return line.what === 'blur' ? 'Blur by distance' : FINISH_PASSES[line.pass].word;
}

const OTHER_WORDS: Record<OtherLine['what'], string> = {
  ambient: 'Ambient light',
  unlit: 'The art as it is',
  'work lamp': 'Work lamp',
  glow: 'Its own glow, and mist over it',
  'no darker than black': 'No darker than black',
  backdrop: 'The backdrop',
  behind: 'Behind it',
  'in front': 'In front of it',
  air: 'In the air',
};

const weightOf = (rgb: Readonly<Rgb>) =>
  Math.abs(rgb[0] * LUMINANCE[0] + rgb[1] * LUMINANCE[1] + rgb[2] * LUMINANCE[2]);

function lightLine({ scene, moment, names }: MeterGround, { light, rgb, occluders }: LightLine): MeterLine {
  const named = lightTold(namedLight(scene, moment.lightIds[light]));
  return { ...named, rgb, stopped: occluders.map((at) => namedOccluder(scene, names.occluders[at])) };
}

function darkLine(
  { words, record, colour }: Pick<MeterLine, 'words' | 'record' | 'colour'>,
  why: Why,
  of: ReasonGround,
): DarkLine {
  return { words, record, colour, why, reason: REASONS[why](of) };
}

function otherLine({ scene, moment, names }: MeterGround, line: OtherLine): MeterLine {
  const { what, rgb } = line;
  const plain = { words: OTHER_WORDS[what], record: null, colour: null, rgb, stopped: [] };
  if (what === 'air') {
    const named = lightTold(namedLight(scene, moment.lightIds[line.light]));
    return { ...plain, ...named, words: `${named.words}, in the air` };
  }
  if (what !== 'behind' && what !== 'in front') return plain;
  const record = names.drawn[line.plane][line.layer][line.sprite];
  return { ...plain, record, words: `${OTHER_WORDS[what]}: ${nameOfThing(scene, record)}` };
}

/** A light of a Moment as it is told. */
function lightTold(light: NamedLight): Pick<MeterLine, 'words' | 'record' | 'colour'> {
  return { words: light.name || 'A light', record: light.record, colour: light.look.colour };
}

function nameOfThing(scene: SceneDocument, { collection, id }: RecordName): string {
  const { name } = scene[collection][id] as { name: string };
  return collection === 'planes' ? `Tiles of ${name}` : name;
}
