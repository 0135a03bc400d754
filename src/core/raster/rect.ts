/** Parts of a picture: columns left to right - 1, rows top to bottom - 1. */
export interface Rect {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

export const NO_RECT: Rect = { left: 0, top: 0, right: 0, bottom: 0 };

export function isEmptyRect({ left, top, right, bottom }: Rect): boolean {
  return right <= left || bottom <= top;
}

/** The smallest that holds both. */
export function joinedRects(a: Rect, b: Rect): Rect {
  if (isEmptyRect(a)) return b;
  if (isEmptyRect(b)) return a;
  return {
    left: Math.min(a.left, b.left),
    top: Math.min(a.top, b.top),
    right: Math.max(a.right, b.right),
    bottom: Math.max(a.bottom, b.bottom),
  };
}

/** What lies in both. */
export function commonRect(a: Rect, b: Rect): Rect {
  return {
    left: Math.max(a.left, b.left),
    top: Math.max(a.top, b.top),
    right: Math.min(a.right, b.right),
    bottom: Math.min(a.bottom, b.bottom),
  };
}

/** Grown to all sides, and to whole px. */
export function grownRect({ left, top, right, bottom }: Rect, by: number): Rect {
  return {
    left: Math.floor(left - by),
    top: Math.floor(top - by),
    right: Math.ceil(right + by),
    bottom: Math.ceil(bottom + by),
  };
}

/** Whether a place, pixels reaching from their number to the next, lies in it. */
export function liesIn({ left, top, right, bottom }: Rect, x: number, y: number): boolean {
  return x >= left && x < right && y >= top && y < bottom;
}
