/** The tiles of what drifts, as textures that repeat, and what a sprite program is told of them. */
import type { Moment, MomentDrift, MomentPlane, PictureSource } from '@/core/moment/moment';
import { DriftTiles, type DriftTile } from '@/core/weather/drift';
import { driftValues } from '@/core/weather/drift.glsl';
import type { Device } from './device';

interface DrawnDrift {
  kinds: MomentDrift['kind'][];
  uniforms: Record<string, readonly number[]>;
  textures: Record<string, WebGLTexture>;
}

const NONE: DrawnDrift = { kinds: [], uniforms: {}, textures: {} };
/** Tiles that lie on the graphics card: those of the scene that is drawn, and some that it had before. */
const KEPT = 6;

export class DriftTextures {
  private readonly tiles = new DriftTiles();
  private readonly textures = new Map<DriftTile, WebGLTexture>();

  constructor(private readonly device: Device) {}

  /** What drifts over a plane. */
  over({ drifts, pictures, view }: Moment, plane: MomentPlane, source: PictureSource): DrawnDrift {
    if (!plane.drifts.some((strength) => strength > 0)) return NONE;
    const out: DrawnDrift = {
      kinds: [],
      uniforms: { u_driftOrigin: [view.x - plane.originX, view.y - plane.originY] },
      textures: {},
    };
    drifts.forEach((drift, i) => {
      const strength = plane.drifts[i];
      if (strength <= 0) return;
      const tile = this.tiles.of(drift, drift.picture === null ? null : source(pictures[drift.picture].key));
      if (!tile) return;
      const at = out.kinds.length;
      out.kinds.push(drift.kind);
      Object.assign(out.uniforms, driftValues(at, drift, tile, strength));
      out.textures[`u_drift${at}`] = this.textureOf(tile);
    });
    return out.kinds.length === 0 ? NONE : out;
  }

  private textureOf(tile: DriftTile): WebGLTexture {
    const known = this.textures.get(tile);
    if (known) return known;
    const { device, textures } = this;
    const { gl } = device;
    if (textures.size >= KEPT) {
      const [oldest, texture] = textures.entries().next().value!;
      device.dropTexture(texture);
      textures.delete(oldest);
    }
    const { widthPx, heightPx, density } = tile;
    const made = device.texture(widthPx, heightPx, gl.R8, gl.RED, gl.UNSIGNED_BYTE, density, 1);
    for (const filter of [gl.TEXTURE_MIN_FILTER, gl.TEXTURE_MAG_FILTER])
      gl.texParameteri(gl.TEXTURE_2D, filter, gl.LINEAR);
    for (const wrap of [gl.TEXTURE_WRAP_S, gl.TEXTURE_WRAP_T])
      gl.texParameteri(gl.TEXTURE_2D, wrap, gl.REPEAT);
    textures.set(tile, made);
    return made;
  }
}
