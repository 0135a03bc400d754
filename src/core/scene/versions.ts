/** Older versions of the scene document, brought to the newest one by one on reading. */

type Json = Record<string, unknown>;

/** By the version that each of them starts from. */
const STEPS: Record<number, (document: Json) => Json> = {
  1: withPaintedReliefs,
  2: withFrames,
  3: withLamps,
};

/** A document as it would have been written today; what is not known is left alone, for the schema to refuse. */
export function upgraded(document: Json): Json {
  let current = document;
  for (;;) {
    const step = typeof current.version === 'number' ? STEPS[current.version] : undefined;
    if (!step) return current;
    current = step(current);
  }
}

/** Version 2 has painted, borrowed and imported reliefs, sheets, and recipes on the shelf. */
function withPaintedReliefs(document: Json): Json {
  return {
    ...document,
    version: 2,
    artworks: eachRecord(document.artworks, upgradedArtwork),
    reliefs: eachRecord(document.reliefs, upgradedRelief),
    strokes: document.strokes ?? {},
    recipes: document.recipes ?? {},
  };
}

/** Version 3 has artworks of many frames, brackets, and planes that answer for their sprites. */
function withFrames(document: Json): Json {
  return {
    ...document,
    version: 3,
    planes: eachRecord(document.planes, (plane) => ({ answer: 'shaded', ...plane })),
    sprites: eachRecord(document.sprites, (sprite) => ({ opacity: 1, frame: 0, playing: true, ...sprite })),
    artworks: eachRecord(document.artworks, upgradedArtwork),
  };
}

/** Version 4 has tile planes, lamps, sets, circuits, things that hang on others, and outlines kept with artworks. */
function withLamps(document: Json): Json {
  const house = 'house';
  return {
    ...document,
    version: 4,
    planes: eachRecord(document.planes, (plane) => ({
      circuitIds: [house],
      overlay: false,
      tiles: null,
      ...plane,
    })),
    sprites: eachRecord(document.sprites, (sprite) => ({
      plain: null,
      hangsOn: null,
      setIds: [],
      circuitIds: null,
      ownOccluders: false,
      ...sprite,
    })),
    lights: eachRecord(document.lights, (light) => ({
      hangsOn: null,
      blockedByCarrier: false,
      setIds: [],
      circuitIds: [house],
      ...light,
    })),
    occluders: eachRecord(document.occluders, (occluder) => ({ smooth: [], setIds: [], ...occluder })),
    chunks: document.chunks ?? {},
    lamps: document.lamps ?? {},
    sets: document.sets ?? {},
    circuits: document.circuits ?? { [house]: { name: 'House', order: 'a1' } },
    artworks: eachRecord(document.artworks, upgradedArtwork),
    luminaires: document.luminaires ?? {},
  };
}

/** An artwork as an earlier version knew it; fields that are there already stay. */
export function upgradedArtwork(artwork: Json): Json {
  return {
    cells: null,
    frames: [],
    rateHz: 8,
    loop: 'round',
    foot: [],
    brackets: [],
    occluders: [],
    lamps: [],
    answer: null,
    takesShadows: true,
    tags: [],
    binned: false,
    ...artwork,
  };
}

export function upgradedRelief(relief: Json): Json {
  return {
    borrowedId: null,
    layers: [],
    partStrokes: [],
    normals: null,
    heights: null,
    rimSha: null,
    occlusionSha: null,
    madeForSha: null,
    ...relief,
  };
}

function eachRecord(records: unknown, change: (record: Json) => Json): unknown {
  if (typeof records !== 'object' || records === null || Array.isArray(records)) return records;
  return Object.fromEntries(
    Object.entries(records).map(([id, record]) => [
      id,
      typeof record === 'object' && record !== null && !Array.isArray(record)
        ? change(record as Json)
        : record,
    ]),
  );
}
