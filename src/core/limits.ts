/** Every bound that the application refuses to cross, in one place. The server, the page and the command line read it. */
export const LIMITS = {
  /** Bytes of one uploaded picture file. */
  pictureBytes: 96 * 1024 * 1024,
  /** Pixels along either side of a picture. */
  pictureSidePx: 4096,
  /** Bytes of the small picture of a scene on the front page, and its longer side. */
  scenePictureBytes: 2 * 1024 * 1024,
  scenePictureSidePx: 480,
  /** Pixels of a still picture that is written at the command line. */
  stillPixels: 64 * 1024 * 1024,
  /** Hours, or seconds, of one export of stills; the latest second; and whole times the size of the gate. */
  stills: 96,
  stillSeconds: 86_400,
  enlarge: 16,
  /** Frames of a loop, pixels of one, and how long it may last. */
  loopFrames: 1_800,
  loopPixels: 16 * 1024 * 1024,
  loopSeconds: 120,
  /** Pixels on a side of the pictures of lights. */
  lightPicturePx: 2048,
  /** Samples a second of the tracks that leave for a game. */
  trackRate: 240,
  /** Bytes that stay free on the disk of the data: below, nothing more is written. */
  roomBytes: 64 * 1024 * 1024,
  /** Bytes of one bundle file, and of all it holds once unpacked. */
  bundleBytes: 256 * 1024 * 1024,
  bundleUnpackedBytes: 768 * 1024 * 1024,
  bundleEntries: 4096,
  /** Pixels of all pictures of a bundle, and of all layers of a painting. */
  bundlePixels: 256 * 1024 * 1024,
  paintingPixels: 128 * 1024 * 1024,
  /** Bytes of the scene in a bundle. */
  sceneBytes: 128 * 1024 * 1024,
  /** Bytes of one JSON request body, and of one scene document. */
  jsonBytes: 8 * 1024 * 1024,
  jsonDepth: 32,
  /** Records in one scene. */
  planes: 200,
  sprites: 20_000,
  lights: 5_000,
  occluders: 10_000,
  outlinePoints: 10_000,
  /** Points of all outlines of a scene's own occluders. */
  scenePoints: 200_000,
  /** Bytes of an SVG or CSV file, and elements of an SVG within each other. */
  textFileBytes: 4 * 1024 * 1024,
  svgDepth: 64,
  svgTransformLength: 4_000,
  /** Outlines of one occluder, occluders and lamps of one artwork. */
  outlines: 1_000,
  artworkOccluders: 32,
  artworkLamps: 16,
  /** Chunks of all tile planes of a scene, and the largest tile grid that is read from a file, cells. */
  chunks: 4_000,
  tileCells: 1_000_000,
  lamps: 5_000,
  sets: 1_000,
  /** Circuits have a letter each. */
  circuits: 26,
  /** Luminaires of a project, and parts of one. */
  luminaires: 1_000,
  luminaireParts: 32,
  /** Colour stops and points of the drawn curve of one light, steps of its bands, and its cells. */
  colourStops: 16,
  curvePoints: 32,
  /** Colours that a cycle of colours has beside the light's own. */
  cycleColours: 8,
  bands: 32,
  blockPx: 256,
  wicks: 2_000,
  /** Of a circuit that is switched: minutes over which its lamps are lit, and seconds in which each comes up. */
  spreadMinutes: 720,
  fadeSeconds: 3_600,
  /** Washes of a scene, and the points of one. */
  washes: 64,
  washPoints: 12,
  /** Points of the path of something that moves, and how long its rounds and rests may be. */
  pathPoints: 256,
  motionSeconds: 86_400,
  lagSeconds: 10,
  cues: 200,
  /** Looks and lookup tables of a project; bytes of the file of one, and places along the sides of a curve and of a cube. */
  looks: 1_000,
  tables: 200,
  tableBytes: 24 * 1024 * 1024,
  curvePlaces: 4096,
  cubePlaces: 65,
  artworks: 5_000,
  /** Frames, brackets and tags of one artwork. */
  frames: 1024,
  brackets: 64,
  tags: 32,
  tagLength: 40,
  /** Painted corrections of one project, and points of one stroke. */
  strokes: 50_000,
  strokePoints: 20_000,
  strokeLayers: 32,
  partStrokes: 2_000,
  /** Recipes on the shelf of a project, and colours of one recipe that are treated by themselves. */
  recipes: 1_000,
  swatches: 64,
  /** Columns or rows of a sheet. */
  sheetCells: 1024,
  /** Edits of one request, pieces of a patch, and characters of one record as JSON. */
  edits: 50_000,
  patchPieces: 1_000,
  recordLength: 2 * 1024 * 1024,
  /** Scenes that one browser hears of at a time. */
  followedScenes: 100,
  /** Characters of the name that people are known by to the others. */
  authorLength: 40,
  /** Records that somebody has picked, as far as the others are shown them. */
  shownPicks: 40,
  /** Characters of a name. */
  nameLength: 120,
  /** Snags that are set aside in a scene, what each is about, and what is noted of it. */
  asides: 500,
  asideLength: 400,
  noteLength: 400,
  /** Characters of what tells a map's name from its art's. */
  suffixLength: 40,
  /** Coordinates of anything placed, in scene px to either side. */
  coordinatePx: 1_000_000,
  gateSidePx: 8192,
  /** Heights of lights and statures above the ground, sizes of what shines, and how far light soaks in, scene px. */
  heightPx: 100_000,
  softPx: 10_000,
  /** Heights of a relief above and below its ground, px of the art. */
  reliefPx: 512,
  /** Columns and rows of chunks to either side. */
  chunkPlace: 100_000,
} as const;
