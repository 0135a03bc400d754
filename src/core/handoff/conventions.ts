/** CONVENTIONS.md: what the numbers of a bundle mean, so that another program can draw the same picture. */
import { type SceneDocument, settingsOf } from '../scene/document';
import { HEIGHT_STEPS_PER_PX } from '../raster/height-picture';

export function conventions(name: string, scene: SceneDocument, files: Record<string, string>): string {
  const settings = settingsOf(scene);
  const space =
    settings.lightSpace === 'linear'
      ? 'Colours are decoded from sRGB before lighting and encoded after it (`lightSpace` is `linear`).'
      : 'Lighting and compositing happen on the encoded sRGB values (`lightSpace` is `display`).';
  const art = settings.pixelArt
    ? "Pixel art: lit and drawn at one output pixel for a scene px, art read by the nearest texel, then enlarged by whole steps. Shadow edges are crisp: visibility is taken at the pixel's centre."
    : 'Painted art: lit at output pixels; four texels, each decoded and premultiplied, are weighted; shown below half its size it is read from a picture halved exactly (means over blocks of the frame, premultiplied, in light space; normals brought back to unit length), as often as leaves it at half of that or more. Past a light without size visibility is the mean of four places in the pixel: (-1, -3), (3, -1), (1, 3), (-3, 1), in eighths of a pixel from its centre (with `blockPx` from the middle of the block). Soft visibility, and whether a point lies within an occluder, is taken at the centre alone.';
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

- A thing with \`hangsOn\` stands by its carrier: its place and turn are counted from the bracket (place and turn in px of the carrier's figure, in the frame that shows), and go through the carrier's map; without a bracket from the figure's corner. The map turns, flips and scales all of a sprite; of a light it moves its place, source, outlines and gobo and turns its directions, while core, reach, heights and sizes stay as they are.
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
    E = rgb level bands(fall cone) gobo facing(n, l) V(p)
- d is the planar distance with its height times \`squash\`; of an \`area\` the distance beyond its outline (core 0, reach \`featherPx\`). u = 0 up to \`corePx\`, 1 from \`reachPx\` on, linear between. A \`sun\`, a \`gobo\` and an \`ambient\` light without outline have fall 1.
- fall = curve(u) ^ \`steepness\`: straight 1-u; eased 1 - smoothstep(u); natural (1 - u^4)^2 (k^2 + core^2) / (k^2 + max(d, core)^2) with k = max(core, reach/12); even 1; drawn a monotone cubic (Fritsch and Carlson: the slope at a point is the mean of those beside it, at an end the one beside, 0 where they turn; then, interval after interval from the left, where the slopes at its two ends, as multiples of its own, are together longer than 3, both are shortened to 3) through \`drawnCurve\`, as a table of 257, first 1, last 0.
- rgb runs from \`colour\` at u = 0 over \`stops\`, mixed in OKLab.
- cone of a \`spot\`: a is the angle from \`bearingDeg\`; 1 up to beam/2, 0 from max(beam, field)/2 on, else 1 - smoothstep.
- bands n (0: none): min(n, floor(s n + b)) / n, b = 0.5, or with \`dither\` (Bayer8[y mod 8][x mod 8] + 0.5) / 64 in cells of the plane (of \`blockPx\`, where it is not 0). With \`blockPx\` all but the normal is taken at the middle of the cell.
- gobo: the artwork over a rectangle about the light's place, turned by \`turnDeg\` (on a spot by its bearing too), colour times alpha, 0 beyond; times min(1, way to the border / \`fadePx\`) across and down.
- l = normalize(dx, dy, max(\`heightPx\`, 1)) from the light's place, of areas and gobos from place + (\`sourceX\`, \`sourceY\`); of a sun, and with \`source\` parallel, (cos a cos b, cos a sin b, sin a) with altitude a and bearing b. facing = mix(1, max(0, (n.l + \`wrap\`) / (1 + \`wrap\`)), \`relief\`). Art without a normal map has n = (0, 0, 1).
- A light shines on what listens to one of its \`circuitIds\`: a sprite's own, or its plane's.
- A light reaches the planes from \`spanFarId\` to \`spanNearId\` (null: all).
- Falloff alone is fall; the facing is not in it.

## Shadow
- Outlines fill by the even-odd rule over all outlines of one occluder, area or ambient light.
- V is the mean, over the points s of a chord of half length \`sizePx\` through the source at right angles to the way from p (of parallel light an angle of half \`sizeDeg\`), of the product of what the occluders on the way let through: \`transmitColour\` times \`transmitShare\`, 0 for most.
- An occluder stops light where light leaves it, so the caster stays lit: an edge counts for points on its outer side. Where its \`ownShade\` is \`dark\` points within are also stopped by its outline drawn in by \`soakPx\`, from both sides. Lines stop from both sides. Edges nearer than 0.01 px do not count.
- With \`staturePx\` H only edges nearer than D min(1, H / h) count, D the way to the light and h its height; in a sun nearer than H / tan(altitude). With a size s the end is soft: an interval whose middle meets the edge at depth z counts by clamp((H D / z - (h - s)) / (2 s), 0, 1), s = \`sizePx\`; in a sun by clamp((H / z - low) / (high - low), 0, 1), low and high the tangents of \`altitudeDeg\` less and plus \`sizeDeg\`, and not at all where the sum reaches 90 degrees.
- A light is stopped by occluders of the planes that it reaches, or of those that \`stoppedBy\` names (with sets); not by those of the sprite that carries it, unless \`blockedByCarrier\`.
- A sprite that \`castsShape\` throws its alpha in a sun: with the view tilted by v = \`viewTiltDeg\`, up = -l.y cos v + l.z sin v, away = -l.y sin v - l.z cos v, a px t above the foot goes to (-t l.x / up, t away sin v / up), no longer than 8 t, its height at least 0.15 t. It is not thrown on sprites that stand themselves. V is multiplied by 1 - \`opacity\` times alpha of each.
- A foot point, or without one the lower side of the frame, stands for the line y = its height; t = that height - y. Of a foot line, as it lies in the scene with slope k, t is counted down to the line at the px's own x, the shadow goes from there, and what is at least 0.15 t is its way down less k times its way across. An upright foot line counts as its middle.
- With s = tan(\`sizeDeg\`) above 0 the alpha at a ground place that stands for the height t is a mean over 3 x 3 places of the frame, t s scene px apart along its axes, with weights 1/4, 1/2, 1/4 each way; below the foot it is 0, and beyond the frame.
- Last, once for all that stops the light: V = V + (1 - V) mix(1, \`shadowColour\`, \`shadowOpacity\`). V is 1 on sprites that take no shadows.

## A plane
Planes are drawn far to near. Of neighbouring sprites with equal \`takesShadows\`, \`castsShape\` and circuits, premultiplied and each over the last: A (shaded albedo times the plane's tint), G (glow level times self-lit albedo), N (alpha times normal), M (alpha times rim mask), alpha. A sprite that is \`seen-when-lit\` is by itself.

    ambient = (scene max(0, 1 - W) + sum of w own) / max(1, W) + added
    L = max(0, max(ambient + add, lighten, U) - subtract), U = 1 - product of (1 - min(E, 1)) over lights that uncover
    picture = A L + M rim + G + (1 - alpha) picture

Ambient lights count by w, their fall, in the place of the scene's, or are added where they do not \`replaces\`. add, subtract and rim are sums of E, lighten is the largest of each channel. Seen when lit: A, M and alpha times min(1, \`seenGain\` luminance(max(0, L - ambient))).

After the plane that a light hangs on: picture += E without facing, times \`air\` (not of lights that subtract, nor of rim lights). The backdrop lies behind all${settings.backdropLit ? ", lit by the scene's ambient" : ', as it is'}.

## What drifts
Clouds and mist lie on planes that \`takesDrift\`, with strength s = \`Strength\` (1 - \`FarFade\` (1 - place / (planes - 1))), place 0 the farthest. A pattern 0 to 1 that repeats every \`ScalePx\` is read at a place of the plane and, of noise, 2.618 times as fine (0.65 to 0.35); of sprites that cast shapes the place's y runs to their lower side by \`UprightShare\`. It moves with the wind, by whole tiles in \`driftLoopSeconds\`. d = s smoothstep(low, low + \`Softness\`), low = (1 - \`Cover\`)(1 + \`Softness\`) - \`Softness\`. Clouds: A times mix(1, \`Colour\`, d). Mist: A, G, M times 1 - d, and G + alpha d \`Colour\` ambient.

## Washes
After the planes, in light space. At a place the points of a wash (from the gate's corner where \`tiedTo\` it, else scene px; within its rectangle only, where that is so) are weighted by exp(-distance^2 / (2 \`spreadPx\`^2)); colour (OKLab) and \`opacity\` are the weighted means. By \`blend\`: c, p c, p + c (1 - min(1, p)), p + c; mixed in by that opacity times the wash's times \`washStrength\`. Cues name washes (\`washId\`); between two the first has 1 - s and the second s, s the smoothstep of the way.

## Finish
On linear values (display values are decoded, the transfer continued above 1), in this order; what stands at its default does nothing. exposure: times 2 ^ (\`exposureStops\` + auto), auto = clamp(\`autoShare\` * (log2(0.18) - a), -\`autoLimitStops\`, \`autoLimitStops\`), a the mean of log2(max(luminance, 2^-10)) over the gate. fringe: red is read at p + s, blue at p - s, s = (p - m) |p - m| \`fringePx\` / h^2, m the gate's middle, h half its diagonal. bloom: plus \`bloomLevel\` \`bloomColour\` blur(v w), w = max(s s / 4k, m - t, 0) / m with m the largest channel, t = \`bloomThreshold\`, k = min(\`bloomKnee\`, t), s = clamp(m - t + k, 0, 2k); blur is a chain of halvings (1 3 3 1) and doublings in scene px, mixed by \`bloomSpread\`. vignette: times mix(1, \`vignetteColour\`, \`vignetteLevel\` smoothstep(\`vignetteInner\`, 1, r)), r = 1 in the corners. tone: \`clip\`, \`shoulder\` x (1 + x / w^2) / (1 + x), or \`film\` f(x) / f(w), f(x) = 1 - exp(-1.25 x (x + 0.033) / (x + 0.06)), w = \`whiteLevel\`. Then sRGB; grade: clamp(i slope + offset, 0, 1) ^ power, then \`saturation\` about 0.2126 R + 0.7152 G + 0.0722 B. This scene: tone \`${settings.tone}\`. A look is mixed in by \`lookShare\`; planes away from \`focusPlaneId\` are blurred by \`blurPx\` a step before they are laid over the picture.

Planes with \`overlay\` come last, unlit: the sprites of each are laid over each other in light space, what comes of it is encoded, and that is laid over the encoded picture.${settings.pixelArt ? '' : ' The picture is rounded to 8 bits with (Bayer8[y mod 8][x mod 8] + 0.5) / 64 - 0.5 added to what is rounded.'}

## Time
- Ambient colour and level run through the cues: a periodic monotone cubic over 24 h (Fritsch and Carlson), colours in OKLab.
- A wick gives shares of level and reach between its lowest and highest value; each light runs it from a phase of its own.

## Files
| artwork | name | file |
|---|---|---|
${rows.join('\n')}

\`normals/\`, \`heights/\`, \`rims/\`, \`occlusions/\` and \`glows/\` use the same names: 8-bit grey masks, 255 is all of the rim, open, all self-lit. \`brought/\` holds maps and corrections that reliefs are made of, by the sha-256 of their bytes. Fields that end in \`Sha\` hold that hash: the file in \`art/\`, \`glows/\` or \`brought/\` whose bytes have it is the one; artworks are also listed above. \`scene.schema.json\` describes \`scene.json\`; \`occluders.json\` has every outline as directed edges in scene px.
`;
}
