/** Outlines as an SVG file. */
import type { ChainedOutlines } from '../geometry/chained';

export interface SvgShape extends ChainedOutlines {
  id: string;
  name: string;
}

/** The part of the plane that is shown, px. */
interface ViewBox {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** Closed outlines are filled by the even-odd rule, lines are drawn a px wide. */
export function svgFile(box: ViewBox, shapes: readonly SvgShape[]): string {
  const { left, top, width, height } = box;
  const rows = shapes.map(({ id, name, closed, open }) => {
    const lines = closed.length === 0 ? ' fill="none" stroke="#000000" stroke-width="1"' : '';
    const d = [...closed.map((points) => `${moves(points)} Z`), ...open.map(moves)].join(' ');
    return `  <path id="${escaped(id)}"${lines} fill-rule="evenodd" d="${d}"><title>${escaped(name)}</title></path>\n`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="${left} ${top} ${width} ${height}">\n${rows.join('')}</svg>\n`;
}

function moves(points: readonly number[]): string {
  const pairs = Array.from({ length: points.length / 2 }, (_, i) => `${points[2 * i]} ${points[2 * i + 1]}`);
  return `M ${pairs.join(' L ')}`;
}

const ESCAPES: Record<string, string> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' };

function escaped(text: string): string {
  return text.replace(/[&<>"]/g, (c) => ESCAPES[c]).replace(/[^\x20-\uffff]/g, ' ');
}
