/** Connected areas of a picture, joined by sides, by union and find (Hoshen and Kopelman 1976). */

/**
 * @param counts whether a pixel belongs to any area
 * @param joins whether two neighbours that both count are of one area
 * @returns a label from 1 on for each pixel, dense, in the order of their first pixels; 0 where none counts
 */
export function labelled(
  width: number,
  height: number,
  counts: (i: number) => boolean,
  joins: (i: number, j: number) => boolean,
): Int32Array {
  const labels = new Int32Array(width * height);
  const parent: number[] = [0];
  const find = (label: number): number => {
    let root = label;
    while (parent[root] !== root) root = parent[root];
    for (let at = label; parent[at] !== root;) {
      const next = parent[at];
      parent[at] = root;
      at = next;
    }
    return root;
  };
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (!counts(i)) continue;
      const left = x > 0 && labels[i - 1] > 0 && joins(i, i - 1) ? labels[i - 1] : 0;
      const up = y > 0 && labels[i - width] > 0 && joins(i, i - width) ? labels[i - width] : 0;
      if (left === 0 && up === 0) {
        labels[i] = parent.push(parent.length) - 1;
      } else {
        labels[i] = left || up;
        if (left && up && left !== up) {
          const a = find(left);
          const b = find(up);
          parent[Math.max(a, b)] = Math.min(a, b);
        }
      }
    }
  }
  const dense = new Int32Array(parent.length);
  let areas = 0;
  for (let label = 1; label < parent.length; label++) {
    const root = find(label);
    if (root === label) dense[label] = ++areas;
    else dense[label] = dense[root];
  }
  for (let i = 0; i < labels.length; i++) labels[i] = dense[labels[i]];
  return labels;
}
