/** Luminaires and the lamps that follow them. */
import { lightPartsOf, flamePartsOf } from '@/core/scene/lamp-parts';
import { Standing } from '@/core/moment/standing';
import { applyTo, inverse, composed } from '@/core/geometry/affine';
import type { SceneDocument } from '@/core/scene/document';
import { type Lamp, newLamp } from '@/core/scene/records/lamp';
import { type Light, newLight } from '@/core/scene/records/light';
import { type FlamePart, type LightPart, newLightPart } from '@/core/scene/records/luminaire';
import { newSprite, type Sprite } from '@/core/scene/records/sprite';
import { newWick } from '@/core/scene/records/wick';
import { change, create, remove, sameValue, type Edit, type Fields } from '@/core/scene/edits';
import { flameLookOf, lookOf, wiringOf } from '@/core/scene/looks';
import { orderAfter } from '@/core/scene/order';
import { broughtLamps, frontOrders } from './placed';
import { freshId, type Studio } from './studio';

/** Makes a luminaire of the picked lights and sprites, and puts a lamp of it in their place. */
export function makeLuminaire(studio: Studio): void {
  const { scene } = studio;
  const lightIds = studio.pickedOf('lights');
  const spriteIds = studio.pickedOf('sprites').filter((id) => scene.sprites[id].artworkId !== null);
  const [first] = lightIds;
  if (!first) return studio.say('A luminaire needs a light: pick one, and the sprite of its flame with it.');
  const middle = scene.lights[first];
  const all = [...lightIds.map((id) => scene.lights[id]), ...spriteIds.map((id) => scene.sprites[id])];
  if (all.some(({ hangsOn }) => JSON.stringify(hangsOn) !== JSON.stringify(middle.hangsOn)))
    return studio.say('Lights of one luminaire hang on one bracket, or on none: detach the others first.');
  const luminaireId = freshId();
  const lampId = freshId();
  const count = Object.keys(scene.luminaires).length;
  const name = lightIds.length === 1 ? middle.name : `Luminaire ${count + 1}`;
  const lights = lightIds.map((id) => lightPart(scene, scene.lights[id], middle));
  const flames = spriteIds.map((id) => {
    const { glowsWithId } = scene.sprites[id];
    const light = glowsWithId === null ? undefined : lights[lightIds.indexOf(glowsWithId)];
    return { ...flamePart(scene, scene.sprites[id], middle), glowsWithId: light?.id ?? null };
  });
  const { x, y } = middle;
  const order = spriteIds[0] ? scene.sprites[spriteIds[0]].order : middle.order;
  const lamp = newLamp({ ...wiringOf(middle), name, luminaireId, order, x, y });
  studio.scenes.transact({
    label: 'Make a luminaire',
    edits: [
      create('luminaires', luminaireId, { name, lights, flames }),
      create('lamps', lampId, lamp),
      ...lightIds.map((id) => remove(scene, 'lights', id)),
      ...spriteIds.map((id) => remove(scene, 'sprites', id)),
    ],
    selection: [{ collection: 'lamps', id: lampId }],
  });
  studio.desk.setState({ shelfTab: 'luminaires' });
}

function lightPart(scene: SceneDocument, light: Light, from: { x: number; y: number }): LightPart {
  const wick = light.wickId === null ? null : (scene.wicks[light.wickId] ?? null);
  return newLightPart({
    ...lookOf(light),
    id: freshId(),
    name: light.name,
    x: light.x - from.x,
    y: light.y - from.y,
    wick: wick && { ...wick },
  });
}

function flamePart(
  scene: SceneDocument,
  sprite: Sprite,
  from: { x: number; y: number },
): Omit<FlamePart, 'glowsWithId'> {
  return {
    ...flameLookOf(sprite),
    answer: sprite.answer ?? scene.planes[sprite.planeId].answer,
    artworkId: sprite.artworkId!,
    turnDeg: sprite.turnDeg,
    flipX: sprite.flipX,
    id: freshId(),
    name: sprite.name,
    x: sprite.x - from.x,
    y: sprite.y - from.y,
  };
}

/** Takes a lamp apart into lights and sprites of their own, which do not follow the luminaire any more. */
export function takeApart(studio: Studio, lampId: string): void {
  const { scene } = studio;
  const lamp = scene.lamps[lampId];
  // Places of the lamp's parts, counted from the ground that the lamp stands on.
  const standing = new Standing(scene, 0);
  const map = standing.lamp(lamp);
  const ground = standing.ground(lamp);
  const back = ground && inverse(ground);
  const local = map && back && composed(back, map);
  if (!local) return;
  const edits: Edit[] = [remove(scene, 'lamps', lampId)];
  const selection: { collection: 'lights' | 'sprites'; id: string }[] = [];
  let order = orderAfter(Object.values(scene.lights).map((light) => light.order));
  const lightIdOf = new Map<string, string>();
  for (const part of lightPartsOf(scene, lamp)) {
    const { wick, name } = part;
    const [x, y] = applyTo(local, part.x, part.y);
    const id = freshId();
    lightIdOf.set(part.id, id);
    const wickId = wick ? freshId() : null;
    if (wick) edits.push(create('wicks', wickId!, newWick({ ...wick })));
    const look = { ...lookOf(part), ...wiringOf(lamp), level: part.level * lamp.level };
    edits.push(create('lights', id, newLight({ ...look, name, x, y, order, wickId })));
    order = orderAfter([order]);
    selection.push({ collection: 'lights', id });
  }
  for (const part of flamePartsOf(scene, lamp)) {
    const { name, artworkId, answer } = part;
    const { planeId, hangsOn, setIds, path } = lamp;
    const [x, y] = applyTo(local, part.x, part.y);
    const id = freshId();
    const sprite = newSprite({
      ...flameLookOf(part),
      ...{ name, artworkId, answer, planeId, hangsOn, setIds, path, x, y },
      glowsWithId: lightIdOf.get(part.glowsWithId ?? '') ?? null,
      order: lamp.order,
      turnDeg: lamp.flipX ? lamp.turnDeg - part.turnDeg : lamp.turnDeg + part.turnDeg,
      flipX: part.flipX !== lamp.flipX,
    });
    edits.push(create('sprites', id, sprite));
    selection.push({ collection: 'sprites', id });
  }
  studio.scenes.transact({ label: 'Take a lamp apart', edits, selection });
}

type PartFields = Partial<LightPart> | Partial<FlamePart>;
/** Fields for all, or those that each is given by what it shows now. */
export type FieldsFor<T> = Partial<T> | ((shown: T) => Partial<T>);

/** The edits that give parts of lamps values of their own; a value that is the luminaire's is no override any more. */
export function overrideEdits(
  scene: SceneDocument,
  lampIds: readonly string[],
  partId: string,
  given: PartFields | ((shown: never) => PartFields),
): Edit[] {
  return lampIds.flatMap((id) => {
    const lamp = scene.lamps[id];
    const part = partOf(scene, lamp, partId) as unknown as Fields | undefined;
    if (!part) return [];
    const own: Fields = { ...(lamp.overrides[partId] as Fields | undefined) };
    const fields = typeof given === 'function' ? given({ ...part, ...own } as never) : given;
    for (const [field, value] of Object.entries(fields)) {
      if (sameValue(value, part[field])) delete own[field];
      else own[field] = value;
    }
    return change(scene, 'lamps', id, { overrides: withPart(lamp, partId, own) }) ?? [];
  });
}

function withPart(lamp: Lamp, partId: string, own: Fields): Lamp['overrides'] {
  const overrides: Record<string, Fields> = { ...(lamp.overrides as Record<string, Fields>) };
  if (Object.keys(own).length === 0) delete overrides[partId];
  else overrides[partId] = own;
  return overrides as Lamp['overrides'];
}

/** The luminaire's own part, without what a lamp overrides. */
export function partOf(scene: SceneDocument, lamp: Lamp, partId: string): LightPart | FlamePart | undefined {
  const luminaire = scene.luminaires[lamp.luminaireId];
  return luminaire && [...luminaire.lights, ...luminaire.flames].find(({ id }) => id === partId);
}

/** Lets lamps follow their luminaire again in everything. */
export function resetOverrides(studio: Studio, lampIds: readonly string[]): void {
  const edits = lampIds.flatMap((id) => change(studio.scene, 'lamps', id, { overrides: {} }) ?? []);
  studio.scenes.transact({ label: 'Reset to luminaire', edits });
}

/** What a lamp overrides becomes the luminaire's own, for all its lamps. */
export function updateLuminaire(studio: Studio, lampId: string): void {
  const { scene } = studio;
  const lamp = scene.lamps[lampId];
  const luminaire = scene.luminaires[lamp.luminaireId];
  if (!luminaire) return;
  const pushed = <T extends LightPart | FlamePart>(part: T): T => ({ ...part, ...lamp.overrides[part.id] });
  const edits = [
    change(scene, 'luminaires', lamp.luminaireId, {
      lights: luminaire.lights.map(pushed),
      flames: luminaire.flames.map(pushed),
    }),
    change(scene, 'lamps', lampId, { overrides: {} }),
  ];
  studio.scenes.transact({
    label: 'Update luminaire',
    edits: edits.filter((edit) => edit !== null),
  });
}

/** Gives sprites of an artwork that were placed before the lamps that it brings along now. */
export function giveLamps(studio: Studio, artworkId: string): void {
  const { scene } = studio;
  const artwork = scene.artworks[artworkId];
  const carried = new Set(
    Object.values(scene.lamps).flatMap(({ hangsOn, luminaireId }) =>
      hangsOn ? [`${hangsOn.spriteId} ${hangsOn.bracketId} ${luminaireId}`] : [],
    ),
  );
  const orders = new Map<string, () => string>();
  const nextOrder = (planeId: string) => {
    const own = orders.get(planeId) ?? frontOrders(scene, planeId);
    orders.set(planeId, own);
    return own;
  };
  const edits = Object.entries(scene.sprites).flatMap(([id, sprite]) => {
    if (sprite.artworkId !== artworkId) return [];
    const wanted = artwork.lamps.filter(
      ({ bracketId, luminaireId }) => !carried.has(`${id} ${bracketId} ${luminaireId}`),
    );
    return broughtLamps(scene, id, { lamps: wanted }, sprite.planeId, nextOrder(sprite.planeId));
  });
  if (edits.length === 0) return studio.say('All sprites of it in this scene have their lamps.');
  studio.scenes.transact({ label: 'Give lamps', edits });
}
