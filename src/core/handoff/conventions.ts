/** CONVENTIONS.md: what the numbers of a bundle mean, so that another program can draw the same picture. */
import { settingsOf, type SceneDocument } from '../scene/document';
import { HEIGHT_STEPS_PER_PX } from '../raster/height-picture';

export function conventions(name: string, scene: SceneDocument, files: Record<string, string>): string {
  const settings = settingsOf(scene);
  const space =
    settings.lightSpace === 'linear'
      ? 'Colours are decoded from sRGB before lighting and encoded after it (`lightSpace` is `linear`).'
      : 'Lighting and compositing happen on the encoded sRGB values (`lightSpace` is `display`).';
  const art = settings.pixelArt
    ? "Pixel art: lit and drawn at one output pixel for a scene px, art read by the nearest texel, then enlarged by whole steps. Shadow edges are crisp: visibility is taken at the pixel's centre."
    : 'Painted art: lit at output pixels; four texels, each decoded and premultiplied, are weighted. Visibility is the mean of four places in the pixel: (-1, -3), (3, -1), (1, 3), (-3, 1), in eighths of a pixel from its centre.';
  const rows = Object.entries(files).map(
    ([id, file]) => `| \`${id}\` | ${scene.artworks[id].name} | \`art/${file}.png\` |`,
  );
  return `# ${name}: conventions

Everything needed to draw this scene elsewhere.

## Axes and units
- Scene px: x to the right, y down, z out of the picture toward the viewer. Angles in degrees, clockwise as seen.
- Heights in scene px, time in seconds, the clock in hours (0 to 24).
- A sprite's map: the pivot of its art goes to (x, y); flip, then scale, then turn.
- A thing on a plane with parallax k stands at its place plus gate place times (1 - k). The gate is at (${settings.gateX}, ${settings.gateY}), ${settings.gateWidthPx} x ${settings.gateHeightPx} px.

- A thing with \`hangsOn\` stands by its carrier: its place and turn are counted from the bracket (place and turn in px of the carrier's figure, in the frame that shows), and go through the carrier's map; without a bracket from the figure's corner.
- A lamp is its luminaire's lights and flames, each from the lamp's place, with what its \`overrides\` say; its \`level\` multiplies theirs.
- Tiles: a cell of \`chunks\` (32 x 32, row by row) is 0 or 1 + frame + 1024 orientation; orientation 1 is flipped left to right, 2 top to bottom, 4 axes exchanged. A place of the cell is unflipped, then its axes exchanged, to be a place of the tile; normals go the other way.

## Colour
- Colours are sRGB hex; a light's strength is its colour times \`level\`. ${space}
- ${art}

## Normal maps
- Tangent space, RGB is XYZ, **Y up** (green points up). Read \`2c/255 - 1\`; 127 and 128 both are 0. No gamma, no profile. Alpha is the art's.
- In scene axes turn y around. Under a sprite's 2 x 2 matrix M: n' = normalize(sqrt(|det M|) inverse-transpose(M) n.xy, n.z).
- Heights are 16-bit grey: 32768 is 0, ${HEIGHT_STEPS_PER_PX} steps are one px of the art.

## One light at one point
    E = rgb level fall(d) facing(n, l) V(p)
- d is the planar distance. u = 0 up to \`corePx\`, 1 from \`reachPx\` on, linear between.
- fall = curve(u) ^ \`steepness\`: straight 1-u; eased 1 - smoothstep(u); natural (1 - u^4)^2 (k^2 + core^2) / (k^2 + max(d, core)^2) with k = max(core, reach/12); even 1.
- l = normalize(dx, dy, max(\`heightPx\`, 1)); facing = mix(1, max(0, n.l), \`relief\`). Art without a normal map has n = (0, 0, 1).
- V is 0 where an occluder stops the way from the light to p, else 1. An occluder stops light where light leaves it, so the caster stays lit; where its \`ownShade\` is \`dark\` its inside is stopped from both sides. Lines stop from both sides.
- A light shines on what listens to one of its \`circuitIds\`: a sprite's own, or its plane's.
- It ignores the occluders of the sprite that carries it, unless \`blockedByCarrier\`.
- A light reaches the planes from \`spanFarId\` to \`spanNearId\` (null: all), and is stopped by occluders of those planes.
- Falloff alone is fall; the facing is not in it.

## A plane
Planes are drawn far to near. Of neighbouring sprites with equal \`takesShadows\` and circuits, premultiplied and each over the last: A (shaded albedo times the plane's tint), G (glow level times self-lit albedo), N (alpha times normal), alpha.

    L = ambient + sum of E
    picture = A L + G + (1 - alpha) picture

After the plane that a light hangs on: picture += rgb level fall V times \`air\`. The backdrop lies behind all${settings.backdropLit ? ', lit by the ambient' : ', as it is'}.

Planes with \`overlay\` come last, unlit, over the encoded picture.

## Time
- Ambient colour and level run through the cues: a periodic monotone cubic over 24 h (Fritsch and Carlson), colours in OKLab.
- A wick gives shares of level and reach between its lowest and highest value; each light runs it from a phase of its own.

## Files
| artwork | name | file |
|---|---|---|
${rows.join('\n')}

\`normals/\`, \`heights/\`, \`rims/\`, \`occlusions/\` and \`glows/\` use the same names: 8-bit grey masks, 255 is all of the rim, open, all self-lit. \`brought/\` holds maps and corrections that reliefs are made of, by their hash. \`scene.schema.json\` describes \`scene.json\`; \`occluders.json\` has every outline as directed edges in scene px.
`;
}
