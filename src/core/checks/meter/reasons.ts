/**
 * Why a light gives nothing to a pixel, in words, with what it names and ways to mend it. A reason is one record, listed by its
 * name in the account (see core/light/account) or among what is not in the Moment (see core/moment/absent).
 */
import type { NoLight } from '../../light/account/account';
import type { Absence } from '../../moment/absent';
import type { SceneDocument } from '../../scene/document';
import { change, type Edit } from '../../scene/edits';
import type { Fixture } from '../../scene/records/fixture';
import type { LightLook } from '../../scene/records/light-look';
import type { RecordName } from '../../scene/references';
import { changedFixture, changedLook, type NamedLight } from '../named';

export type Why = NoLight['why'] | Absence['why'];

/** A way to let the light be seen. */
export interface MeterMend {
  words: string;
  edits: Edit[];
  /** What only lasts while looking is undone instead. */
  passing?: 'unmute' | 'end solo';
}

export interface Reason {
  words: string;
  /** What it names. */
  records: RecordName[];
  mends: MeterMend[];
}

/** What a reason is told of. */
export interface ReasonGround {
  scene: SceneDocument;
  light: NamedLight;
  /** What is seen at the pixel; null is the backdrop. */
  thing: RecordName | null;
  planeId: string | null;
  /** What stops it, the most first. */
  occluders: readonly { words: string; record: RecordName }[];
  circuitId: string | null;
}

type Make = (ground: ReasonGround) => Reason;

const plain =
  (words: string): Make =>
  () => ({ words, records: [], mends: [] });

const fixtureOf = ({ scene, light: { record } }: ReasonGround): Fixture =>
  scene[record.collection][record.id];

function mended(words: string, edit: Edit | null, passing?: MeterMend['passing']): MeterMend[] {
  return edit || passing ? [{ words, edits: edit ? [edit] : [], passing }] : [];
}

function lookMended(words: string, { scene, light }: ReasonGround, fields: Partial<LightLook>): MeterMend[] {
  return mended(words, changedLook(scene, light, fields));
}

function circuitNames({ scene }: ReasonGround, ids: readonly string[]): string {
  return ids.map((id) => `“${scene.circuits[id]?.name ?? id}”`).join(', ');
}

/** What the thing listens to, or its plane. */
function listening({ scene, thing, planeId }: ReasonGround): readonly string[] {
  const own = thing?.collection === 'sprites' ? scene.sprites[thing.id]?.circuitIds : null;
  return own ?? (planeId === null ? [] : (scene.planes[planeId]?.circuitIds ?? []));
}

function circuits(ground: ReasonGround): Reason {
  const { scene, thing, planeId } = ground;
  const { circuitIds } = fixtureOf(ground);
  const listens = listening(ground);
  const [first] = circuitIds;
  const next = [...listens, first];
  const isSprite = thing?.collection === 'sprites' && scene.sprites[thing.id].circuitIds !== null;
  const edit =
    first === undefined
      ? null
      : isSprite
        ? change(scene, 'sprites', thing.id, { circuitIds: next })
        : planeId === null
          ? null
          : change(scene, 'planes', planeId, { circuitIds: next });
  return {
    words:
      circuitIds.length === 0
        ? 'It feeds no circuit.'
        : `It feeds ${circuitNames(ground, circuitIds)}; what is seen here listens to ${circuitNames(ground, listens) || 'none'}.`,
    records: circuitIds.map((id) => ({ collection: 'circuits' as const, id })),
    mends: mended(`Listen to ${circuitNames(ground, circuitIds.slice(0, 1))}`, edit),
  };
}

function span(ground: ReasonGround): Reason {
  const { scene, light, planeId } = ground;
  const plane = planeId === null ? undefined : scene.planes[planeId];
  if (!plane) return { words: 'What is seen here is outside its span.', records: [], mends: [] };
  const { spanFarId, spanNearId } = fixtureOf(ground);
  const order = (id: string | null) => (id === null ? null : (scene.planes[id]?.order ?? null));
  const far = order(spanFarId);
  const isFarther = far !== null && plane.order < far;
  const fields = isFarther ? { spanFarId: planeId } : { spanNearId: planeId };
  const edit = changedFixture(scene, light, fields);
  return {
    words: `Its span ends ${isFarther ? 'before' : 'behind'} the plane “${plane.name}”: from “${nameOfPlane(scene, spanFarId, 'the farthest')}” to “${nameOfPlane(scene, spanNearId, 'the nearest')}”.`,
    records: [{ collection: 'planes', id: planeId! }],
    mends: mended(`Light the plane “${plane.name}” too`, edit),
  };
}

function nameOfPlane(scene: SceneDocument, id: string | null, otherwise: string): string {
  return id === null ? otherwise : (scene.planes[id]?.name ?? id);
}

function blocked(ground: ReasonGround): Reason {
  const { occluders } = ground;
  const [first] = occluders;
  const rest = occluders.length > 1 ? ` and ${occluders.length - 1} more` : '';
  return {
    words: first ? `${first.words}${rest} stands in its way.` : 'Something stands in its way.',
    records: occluders.map(({ record }) => record),
    mends: lookMended('Turn its shadows off', ground, { shadows: false }),
  };
}

function ownShade(ground: ReasonGround): Reason {
  const { scene, occluders } = ground;
  const [first] = occluders;
  const own = first?.record.collection === 'occluders' ? first.record.id : null;
  return {
    words: `This lies in the shade of ${first?.words ?? 'an outline'} itself.`,
    records: occluders.map(({ record }) => record),
    mends: own === null ? [] : mended('Own shade: lit', change(scene, 'occluders', own, { ownShade: 'lit' })),
  };
}

function selfLit({ scene, thing }: ReasonGround): Reason {
  const sprite = thing?.collection === 'sprites' ? thing.id : null;
  return {
    words: 'What is seen here is self-lit: it shows its own light, whatever falls on it.',
    records: thing ? [thing] : [],
    mends:
      sprite === null ? [] : mended('Answer: shaded', change(scene, 'sprites', sprite, { answer: 'shaded' })),
  };
}

function hidden(ground: ReasonGround): Reason {
  const { scene, light } = ground;
  const { hidden: isHidden, planeId } = fixtureOf(ground);
  if (isHidden) {
    const edit = changedFixture(scene, light, { hidden: false });
    return { words: 'It is hidden.', records: [light.record], mends: mended('Show it', edit) };
  }
  const plane = scene.planes[planeId];
  if (plane?.hidden)
    return {
      words: `Its plane “${plane.name}” is hidden.`,
      records: [{ collection: 'planes', id: planeId }],
      mends: mended('Show the plane', change(scene, 'planes', planeId, { hidden: false })),
    };
  return { words: 'Its plane, or what carries it, is not shown.', records: [light.record], mends: [] };
}

/** Of a lamp, or of the light itself. */
function level({ scene, light }: ReasonGround): Reason {
  const ofLamp = light.look.level === 0 ? null : changedFixture(scene, light, { level: 1 });
  return {
    words: 'Its level is 0.',
    records: [light.record],
    mends: mended('Level 1', ofLamp ?? changedLook(scene, light, { level: 1 })),
  };
}

function darkCircuit(ground: ReasonGround): Reason {
  const { circuitId } = ground;
  return {
    words: `Its circuit ${circuitNames(ground, circuitId === null ? [] : [circuitId])} is dark at this hour.`,
    records: circuitId === null ? [] : [{ collection: 'circuits', id: circuitId }],
    mends: [],
  };
}

export const REASONS: Readonly<Record<Why, Make>> = {
  backdrop: plain('There is only the backdrop here: of all light it takes the ambient alone.'),
  circuits,
  span,
  reach: plain('It ends before it reaches this place.'),
  field: plain('This lies outside its field: it points elsewhere.'),
  steps: (ground) => ({
    words: 'It is so faint here that its darkest step is 0.',
    records: [],
    mends: lookMended('Smooth, without steps', ground, { bands: 0 }),
  }),
  gobo: plain('Its gobo is dark here.'),
  facing: plain('The relief faces away from it here.'),
  'self-lit': selfLit,
  'no rim': plain('It gives to rims alone, and this is none.'),
  black: plain('The art is black in its colour here: it gives none of it back.'),
  outshone: plain('A brighter one wins here.'),
  blocked,
  'own shade': ownShade,
  'cast shape': plain('The shape of something that stands falls on this place.'),
  hidden,
  away: plain('It is away: its path has it appear again later.'),
  muted: () => ({ words: 'It is muted.', records: [], mends: mended('Unmute it', null, 'unmute') }),
  'not soloed': () => ({
    words: 'Others are soloed.',
    records: [],
    mends: mended('End the solo', null, 'end solo'),
  }),
  circuit: darkCircuit,
  level,
  wick: plain('Its wick has it dark at this second.'),
  'below the horizon': plain('It is below the horizon.'),
  'no figure': plain('It has no shape: its outlines enclose nothing, or the picture of its gobo is missing.'),
};
