/** Outlines as hands and programs make them: on a grid, to hundredths, turned, with smooth points. All from one seed. */
import { hash01 } from '../../time/noise';
import { affineOf, applyTo } from '../affine';
import { flattened } from '../smooth';

export const OUTLINE_FAMILIES = ['on a grid', 'to hundredths', 'turned', 'smooth', 'two together'] as const;
export type OutlineFamily = (typeof OUTLINE_FAMILIES)[number];

const GRID_PX = 8;
const SIDE_PX = 96;

/** @returns closed outlines that are read together; they cross and touch themselves and each other at will */
export function randomOutlines(family: OutlineFamily, seed: number): number[][] {
  let drawn = 0;
  const random = () => hash01(seed, drawn++);
  const onGrid = (fewest: number, most: number) => {
    const count = fewest + Math.floor(random() * (most - fewest + 1));
    return Array.from({ length: 2 * count }, () => GRID_PX * Math.floor((random() * SIDE_PX) / GRID_PX));
  };
  const toHundredths = (count: number) =>
    Array.from({ length: 2 * count }, () => Math.round(random() * SIDE_PX * 100) / 100);
  switch (family) {
    case 'on a grid':
      return [onGrid(20, 40)];
    case 'to hundredths':
      return [toHundredths(3), toHundredths(3)];
    case 'turned': {
      const placing = { x: 48, y: 48, scaleX: 1, scaleY: 1, flipX: false, flipY: false };
      const map = affineOf({ ...placing, turnDeg: random() * 360 }, 48, 48);
      const points = onGrid(6, 16);
      return [points.flatMap((_, i) => (i % 2 === 0 ? applyTo(map, points[i], points[i + 1]) : []))];
    }
    case 'smooth': {
      const points = onGrid(4, 10);
      const smooth = Array.from({ length: points.length / 2 }, (_, i) => i).filter(() => random() < 0.6);
      return [flattened(points, smooth, true)];
    }
    case 'two together':
      return [onGrid(5, 12), toHundredths(5)];
  }
}
