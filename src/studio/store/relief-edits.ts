/** Edits of reliefs: every way in which the Relief bench changes the document. */
import { LIMITS } from '@/core/limits';
import { readRecipe, type Recipe } from '@/core/relief/recipe';
import type { PartStroke } from '@/core/relief/parts';
import type { Stroke as BrushStroke } from '@/core/relief/strokes/stroke';
import type { SceneDocument } from '@/core/scene/document';
import { newRelief, type Relief, type StrokeLayer } from '@/core/scene/records/relief';
import { change, create, remove, type Edit } from '@/core/scene/edits';
import { orderAfter } from '@/core/scene/order';
import { freshId, type Studio } from './studio';

/** An artwork's relief as it is, or one of plain defaults that is not kept yet. */
export function reliefOfArtwork(scene: SceneDocument, artworkId: string): Relief {
  return scene.reliefs[artworkId] ?? newRelief({ recipe: readRecipe({}) });
}

/** The edit that changes fields of a relief, or makes it. */
export function reliefEdit(scene: SceneDocument, artworkId: string, fields: Partial<Relief>): Edit | null {
  return scene.reliefs[artworkId]
    ? change(scene, 'reliefs', artworkId, fields)
    : create('reliefs', artworkId, { ...reliefOfArtwork(scene, artworkId), ...fields });
}

export function setRelief(studio: Studio, label: string, artworkId: string, fields: Partial<Relief>): void {
  const edit = reliefEdit(studio.scene, artworkId, fields);
  if (edit) studio.scenes.transact({ label, edits: [edit] });
}

/** Fields of a relief that borrows its body, or is made by its own recipe again. */
export function borrowing({ recipe }: Relief, lenderId: string | null): Partial<Relief> {
  // Its own grain would come on top of the lender's: nothing of it to begin with.
  const grain = { ...recipe.grain, share: lenderId === null ? 1 : 0 };
  return { borrowedId: lenderId, recipe: { ...recipe, grain } };
}

export function setRecipe(
  studio: Studio,
  label: string,
  artworkIds: readonly string[],
  recipe: Recipe,
): void {
  const edits = artworkIds.flatMap((id) => reliefEdit(studio.scene, id, { recipe }) ?? []);
  studio.scenes.transact({ label, edits });
}

/** The layer that a new stroke goes to: the chosen one where it is there and shown, else the top one that is shown. */
export function strokeLayer(studio: Studio, artworkId: string): StrokeLayer | null {
  const { layers } = reliefOfArtwork(studio.scene, artworkId);
  const chosen = studio.reliefBench.getState().layerIds[artworkId];
  return (
    layers.find(({ id, hidden }) => id === chosen && !hidden) ??
    layers.findLast(({ hidden }) => !hidden) ??
    null
  );
}

/** How many layers that show something lie below the one that is painted on, and up to it; a new one is the top one. */
export function layerPlace(studio: Studio, artworkId: string): { below: number; upTo: number } {
  const painted = new Set(
    Object.values(studio.scene.strokes)
      .filter((stroke) => stroke.artworkId === artworkId)
      .map(({ layerId }) => layerId),
  );
  const { layers } = reliefOfArtwork(studio.scene, artworkId);
  const showing = (some: StrokeLayer[]) => some.filter(({ id, hidden }) => !hidden && painted.has(id)).length;
  const own = strokeLayer(studio, artworkId);
  const at = own === null ? layers.length : layers.findIndex(({ id }) => id === own.id);
  return { below: showing(layers.slice(0, at)), upTo: showing(layers.slice(0, at + 1)) };
}

export function chooseLayer(studio: Studio, artworkId: string, layerId: string): void {
  studio.reliefBench.setState(({ layerIds }) => ({ layerIds: { ...layerIds, [artworkId]: layerId } }));
}

export function addLayer(studio: Studio, artworkId: string, name?: string): string | null {
  const { layers } = reliefOfArtwork(studio.scene, artworkId);
  if (layers.length >= LIMITS.strokeLayers) {
    studio.say(`A relief has at most ${LIMITS.strokeLayers} layers of strokes.`);
    return null;
  }
  const layer = { id: freshId(), name: name ?? `Layer ${layers.length + 1}`, hidden: false };
  setRelief(studio, 'New layer', artworkId, { layers: [...layers, layer] });
  chooseLayer(studio, artworkId, layer.id);
  return layer.id;
}

/** Takes a layer away with all its strokes. */
export function deleteLayer(studio: Studio, artworkId: string, layerId: string): void {
  const { scene } = studio;
  const layers = reliefOfArtwork(scene, artworkId).layers.filter(({ id }) => id !== layerId);
  const edits = Object.entries(scene.strokes)
    .filter(([, stroke]) => stroke.artworkId === artworkId && stroke.layerId === layerId)
    .map(([id]) => remove(scene, 'strokes', id));
  const edit = reliefEdit(scene, artworkId, { layers });
  studio.scenes.transact({ label: 'Delete a layer', edits: edit ? [...edits, edit] : edits });
}

export function changeLayer(
  studio: Studio,
  label: string,
  artworkId: string,
  layerId: string,
  fields: Partial<StrokeLayer>,
): void {
  const layers = reliefOfArtwork(studio.scene, artworkId).layers.map((layer) =>
    layer.id === layerId ? { ...layer, ...fields } : layer,
  );
  setRelief(studio, label, artworkId, { layers });
}

/** Moves a layer one place up or down. */
export function moveLayer(studio: Studio, artworkId: string, layerId: string, by: 1 | -1): void {
  const { layers } = reliefOfArtwork(studio.scene, artworkId);
  const at = layers.findIndex(({ id }) => id === layerId);
  if (at < 0 || at + by < 0 || at + by >= layers.length) return;
  const next = layers.toSpliced(at, 1);
  next.splice(at + by, 0, layers[at]);
  setRelief(studio, 'Order of layers', artworkId, { layers: next });
}

/**
 * The edits that keep a stroke on the layer that is painted on, which is made where there is none; reliefs that were
 * not made by hand before note for which picture they are.
 */
export function strokeEdits(studio: Studio, artworkId: string, stroke: BrushStroke): Edit[] {
  const { scene } = studio;
  const relief = reliefOfArtwork(scene, artworkId);
  const edits: Edit[] = [];
  const fields: Partial<Relief> = {};
  let layerId = strokeLayer(studio, artworkId)?.id;
  if (layerId === undefined) {
    layerId = freshId();
    fields.layers = [
      ...relief.layers,
      { id: layerId, name: `Layer ${relief.layers.length + 1}`, hidden: false },
    ];
    chooseLayer(studio, artworkId, layerId);
  }
  if (relief.madeForSha === null) fields.madeForSha = scene.artworks[artworkId].imageSha;
  const edit =
    Object.keys(fields).length > 0 || !scene.reliefs[artworkId] ? reliefEdit(scene, artworkId, fields) : null;
  if (edit) edits.push(edit);
  const orders = Object.values(scene.strokes)
    .filter((other) => other.artworkId === artworkId)
    .map(({ order }) => order);
  edits.push(create('strokes', freshId(), { ...stroke, artworkId, layerId, order: orderAfter(orders) }));
  return edits;
}

export function addPartStroke(studio: Studio, artworkId: string, stroke: PartStroke): void {
  const { partStrokes, madeForSha, recipe } = reliefOfArtwork(studio.scene, artworkId);
  if (partStrokes.length >= LIMITS.partStrokes) {
    studio.say(`A relief has at most ${LIMITS.partStrokes} strokes that join and split parts.`);
    return;
  }
  setRelief(studio, stroke.kind === 'join' ? 'Join parts' : 'Split a part', artworkId, {
    partStrokes: [...partStrokes, stroke],
    madeForSha: madeForSha ?? studio.scene.artworks[artworkId].imageSha,
    // Parts that nothing is made of would change nothing.
    ...(recipe.body.partShare === 0
      ? { recipe: { ...recipe, body: { ...recipe.body, partShare: 0.5 } } }
      : {}),
  });
}

/** Takes all strokes away that were painted on an artwork. */
export function clearStrokes(studio: Studio, artworkId: string): void {
  const { scene } = studio;
  const edits: Edit[] = Object.entries(scene.strokes)
    .filter(([, stroke]) => stroke.artworkId === artworkId)
    .map(([id]) => remove(scene, 'strokes', id));
  const edit = reliefEdit(scene, artworkId, { layers: [], partStrokes: [] });
  if (edit) edits.push(edit);
  studio.scenes.transact({ label: 'Take all strokes away', edits });
}
