/** Layered paintings (OpenRaster): a zip with `stack.xml`, which names the layers, and a PNG file of each. */
import { SaxesParser } from 'saxes';
import { InputFault, wordsOf } from '../faults';
import { LIMITS } from '../limits';
import { inspectPng, pngSize } from '../raster/png';
import { unpackFiles } from './zip';

export interface PaintedLayer {
  name: string;
  /** Where its upper left corner lies on the painting. */
  x: number;
  y: number;
  widthPx: number;
  heightPx: number;
  /** 0 to 1, that of the groups around it multiplied in. */
  opacity: number;
  hidden: boolean;
  /** The layer's PNG file. */
  bytes: Uint8Array;
}

export interface LayeredPainting {
  widthPx: number;
  heightPx: number;
  /** From the lowest to the topmost. */
  layers: PaintedLayer[];
}

/** @throws InputFault naming what is missing or wrong */
export function readLayeredPainting(bytes: Uint8Array): LayeredPainting {
  const files = unpackFiles(bytes);
  const stack = files['stack.xml'];
  if (!stack) throw new InputFault('The archive has no stack.xml; is it a layered painting?');
  const { widthPx, heightPx, entries } = readStack(new TextDecoder().decode(stack));
  const names = new Map<string, number>();
  let pixels = 0;
  const layers = entries.map(({ name, src, x, y, opacity, hidden }) => {
    const png = files[src];
    if (!png) throw new InputFault(`The layer "${name}" names the file ${src}, which is not there.`);
    let facts;
    try {
      const { width, height } = pngSize(png);
      pixels += width * height;
      if (pixels > LIMITS.paintingPixels)
        throw new InputFault(
          `all layers up to it have more than ${Math.round(LIMITS.paintingPixels / 1e6)} million pixels`,
        );
      facts = inspectPng(png);
    } catch (cause) {
      throw new InputFault(`The layer "${name}": ${wordsOf(cause)}`, null, { cause });
    }
    const count = (names.get(name) ?? 0) + 1;
    names.set(name, count);
    const own = count === 1 ? name : `${name} ${count}`;
    return { name: own, x, y, opacity, hidden, widthPx: facts.width, heightPx: facts.height, bytes: png };
  });
  // The file lists the topmost first.
  return { widthPx, heightPx, layers: layers.reverse() };
}

interface Entry {
  name: string;
  src: string;
  x: number;
  y: number;
  opacity: number;
  hidden: boolean;
}

function readStack(text: string): { widthPx: number; heightPx: number; entries: Entry[] } {
  const entries: Entry[] = [];
  const groups = [{ x: 0, y: 0, opacity: 1, hidden: false }];
  let size: { widthPx: number; heightPx: number } | null = null;
  const parser = new SaxesParser();
  parser.on('error', (cause) => {
    throw new InputFault(`stack.xml is damaged (${cause.message}).`, null, { cause });
  });
  parser.on('opentag', ({ name, attributes }) => {
    const at = attributes as Record<string, string>;
    const above = groups.at(-1)!;
    const place = {
      x: above.x + whole(at.x),
      y: above.y + whole(at.y),
      opacity: above.opacity * share(at.opacity),
      hidden: above.hidden || at.visibility === 'hidden',
    };
    if (name === 'image') size = { widthPx: whole(at.w), heightPx: whole(at.h) };
    else if (name === 'stack') {
      groups.push(place);
      if (groups.length > LIMITS.jsonDepth) throw new InputFault('stack.xml is nested too deep.');
    } else if (name === 'layer' && at.src) {
      entries.push({ name: (at.name || at.src).slice(0, LIMITS.nameLength), src: at.src, ...place });
    }
  });
  parser.on('closetag', ({ name }) => {
    if (name === 'stack') groups.pop();
  });
  parser.write(text).close();
  if (!size) throw new InputFault('stack.xml has no image.');
  if (entries.length === 0) throw new InputFault('The painting has no layers.');
  if (entries.length > LIMITS.planes) throw new InputFault(`A painting has at most ${LIMITS.planes} layers.`);
  return { ...(size as { widthPx: number; heightPx: number }), entries };
}

function whole(text: string | undefined): number {
  const value = Math.round(Number(text ?? 0));
  return Number.isFinite(value) && Math.abs(value) <= LIMITS.coordinatePx ? value : 0;
}

/** 0 to 1; what is none counts as whole. */
function share(text: string | undefined): number {
  const value = Number.parseFloat(text ?? '1');
  return Number.isFinite(value) ? Math.min(1, Math.max(0, value)) : 1;
}
