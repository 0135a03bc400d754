/**
 * Breakpoints of an envelope, in columns that grow: from each on, up to the next, a segment is the nearest; -1 is none. `key`
 * sorts as the direction (`dx`, `dy`) turns.
 */
export class Breakpoints {
  key: Float64Array;
  dx: Float64Array;
  dy: Float64Array;
  segment: Int32Array;
  size = 0;

  constructor(capacity: number) {
    this.key = new Float64Array(capacity);
    this.dx = new Float64Array(capacity);
    this.dy = new Float64Array(capacity);
    this.segment = new Int32Array(capacity);
  }

  reserve(more: number): void {
    const wanted = this.size + more;
    if (wanted <= this.key.length) return;
    const grown = new Breakpoints(2 * wanted);
    grown.key.set(this.key);
    grown.dx.set(this.dx);
    grown.dy.set(this.dy);
    grown.segment.set(this.segment);
    this.key = grown.key;
    this.dx = grown.dx;
    this.dy = grown.dy;
    this.segment = grown.segment;
  }

  push(key: number, dx: number, dy: number, segment: number): void {
    const at = this.size++;
    this.key[at] = key;
    this.dx[at] = dx;
    this.dy[at] = dy;
    this.segment[at] = segment;
  }
}
