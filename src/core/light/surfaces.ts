/** What a layer shows at places, side by side in lists: only those where it shows anything. */
import type { LayerSums } from './layer';
import type { Places } from './places';

export class Surfaces implements Places {
  count = 0;
  /** The numbers of the places among all that are looked at, rising. */
  at: Int32Array;
  x: Float64Array;
  y: Float64Array;
  /** Three values each. */
  albedo: Float64Array;
  glow: Float64Array;
  normal: Float64Array;
  rim: Float64Array;
  alpha: Float64Array;

  constructor(most: number) {
    this.at = new Int32Array(most);
    this.x = new Float64Array(most);
    this.y = new Float64Array(most);
    this.albedo = new Float64Array(3 * most);
    this.glow = new Float64Array(3 * most);
    this.normal = new Float64Array(3 * most);
    this.rim = new Float64Array(most);
    this.alpha = new Float64Array(most);
  }

  /**
   * Takes what was gathered where there is anything, and brings the normals to unit length.
   * @param hidden places that are passed over: not 0; null is none
   */
  take(sums: LayerSums, places: Places, hidden: Uint8Array | null): void {
    const { albedo, glow, normal, rim, alpha } = sums;
    sums.face(places.count);
    let count = 0;
    for (let k = 0; k < places.count; k++) {
      if (alpha[k] === 0 || (hidden && hidden[k] !== 0)) continue;
      const i = count++;
      this.at[i] = k;
      this.x[i] = places.x[k];
      this.y[i] = places.y[k];
      for (let from = 3 * k, to = 3 * i; from < 3 * k + 3; from++, to++) {
        this.albedo[to] = albedo[from];
        this.glow[to] = glow[from];
        this.normal[to] = normal[from];
      }
      this.rim[i] = rim[k];
      this.alpha[i] = alpha[k];
    }
    this.count = count;
  }

  /** The same, no longer than it needs to be. */
  trimmed(): Surfaces {
    const { count } = this;
    const out = new Surfaces(0);
    const { at, x, y, albedo, glow, normal, rim, alpha } = this;
    out.count = count;
    out.at = at.slice(0, count);
    out.x = x.slice(0, count);
    out.y = y.slice(0, count);
    out.albedo = albedo.slice(0, 3 * count);
    out.glow = glow.slice(0, 3 * count);
    out.normal = normal.slice(0, 3 * count);
    out.rim = rim.slice(0, count);
    out.alpha = alpha.slice(0, count);
    return out;
  }
}
