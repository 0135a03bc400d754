/** Older versions of the scene document, brought to the newest one by one on reading. */

type Json = Record<string, unknown>;

/** By the version that each of them starts from. */
const STEPS: Record<number, (document: Json) => Json> = {
  1: withPaintedReliefs,
  2: withFrames,
  3: withLamps,
  4: withWholeLights,
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

/** What lights and occluders of version 4 and earlier were: round, added up, hard, and stopped altogether. */
const EARLIER_LOOK = {
  stops: [],
  blend: 'add',
  rim: false,
  replaces: true,
  squash: 1,
  drawnCurve: [0, 1, 1, 0],
  bearingDeg: 90,
  altitudeDeg: 45,
  beamDeg: 24,
  fieldDeg: 46,
  outlines: [],
  smooth: [],
  featherPx: 10,
  turnDeg: 0,
  source: 'point',
  sourceX: 0,
  sourceY: 0,
  gobo: null,
  bands: 0,
  dither: false,
  blockPx: 0,
  wrap: 0,
  sizePx: 0,
  sizeDeg: 0.5,
  shadowOpacity: 1,
  shadowColour: '#000000',
  still: false,
};
const EARLIER_SHADE = { soakPx: 0, transmitShare: 0, transmitColour: '#ffffff', staturePx: null };

/** Version 5 has every kind of light, soft and coloured shadows, rims, and a finish. */
function withWholeLights(document: Json): Json {
  return {
    ...document,
    version: 5,
    settings: eachRecord(document.settings, (settings) => ({
      viewTiltDeg: 0,
      exposureStops: 0,
      tone: 'clip',
      whiteLevel: 4,
      ...settings,
    })),
    planes: eachRecord(document.planes, (plane) => ({
      ...plane,
      tiles: isRecord(plane.tiles) ? { ...EARLIER_SHADE, ...plane.tiles } : plane.tiles,
    })),
    sprites: eachRecord(document.sprites, (sprite) => ({ seenGain: 4, castsShape: false, ...sprite })),
    lights: eachRecord(document.lights, (light) => ({ ...EARLIER_LOOK, stoppedBy: null, ...light })),
    lamps: eachRecord(document.lamps, (lamp) => ({ stoppedBy: null, ...lamp })),
    occluders: eachRecord(document.occluders, (occluder) => ({ ...EARLIER_SHADE, ...occluder })),
    artworks: eachRecord(document.artworks, upgradedArtwork),
    luminaires: eachRecord(document.luminaires, upgradedLuminaire),
  };
}

export function upgradedLuminaire(luminaire: Json): Json {
  return { ...luminaire, lights: eachOf(luminaire.lights, (part) => ({ ...EARLIER_LOOK, ...part })) };
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
    lamps: [],
    answer: null,
    takesShadows: true,
    tags: [],
    binned: false,
    ...artwork,
    occluders: eachOf(artwork.occluders ?? [], (occluder) => ({ ...EARLIER_SHADE, ...occluder })),
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

function isRecord(value: unknown): value is Json {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function eachRecord(records: unknown, change: (record: Json) => Json): unknown {
  if (!isRecord(records)) return records;
  return Object.fromEntries(
    Object.entries(records).map(([id, record]) => [id, isRecord(record) ? change(record) : record]),
  );
}

function eachOf(records: unknown, change: (record: Json) => Json): unknown {
  return Array.isArray(records)
    ? records.map((record: unknown) => (isRecord(record) ? change(record) : record))
    : records;
}
