/**
 * Animated PNG files (PNG specification, third edition, 11.3.6). Each picture is read as a PNG file of its own, made of
 * its chunks, so that it is checked as every other.
 */
import { InputFault } from '../faults';
import { concatenated } from '../raster/bytes';
import { emptyImage } from '../raster/image';
import { decodePng, inspectPng } from '../raster/png';
import { PNG_SIGNATURE, pngChunk } from '../raster/png-chunks';
import { composed, sheetColumns, tidySeconds, type Animation, type Patch } from './animated';

interface Control {
  width: number;
  height: number;
  x: number;
  y: number;
  seconds: number;
  dispose: number;
  blend: number;
  data: Uint8Array[];
}

/** @throws InputFault in words */
export function readApng(bytes: Uint8Array): Animation {
  // Signature, bounds and checksums of all chunks, and the still picture.
  const facts = inspectPng(bytes);
  const { header, shared, controls, plays } = chunksOf(bytes);
  if (controls.length === 0) throw new InputFault('The animated PNG file has no pictures.');
  sheetColumns(controls.length, facts.width, facts.height);
  const patches = controls.map(({ width, height, x, y, dispose, blend, data }, i): Patch => {
    if (data.length === 0) throw new InputFault(`Picture ${i + 1} of the animation has no pixels.`);
    const own = header.slice();
    const view = new DataView(own.buffer);
    view.setUint32(0, width);
    view.setUint32(4, height);
    const file = concatenated([
      PNG_SIGNATURE,
      pngChunk('IHDR', own),
      ...shared,
      ...data.map((part) => pngChunk('IDAT', part)),
      pngChunk('IEND', new Uint8Array(0)),
    ]);
    const { image } = decodePng(file);
    // Before the first one there is nothing to go back to.
    const then = dispose === 1 || (dispose === 2 && i === 0) ? 'clears' : dispose === 2 ? 'returns' : 'stays';
    return { image, x, y, over: blend === 1, then };
  });
  const images = composed(facts.width, facts.height, patches);
  return {
    shown: images.map((image, i) => ({ image, seconds: controls[i].seconds })),
    loop: plays === 1 ? 'once' : 'round',
  };
}

function chunksOf(bytes: Uint8Array) {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const shared: Uint8Array[] = [];
  const controls: Control[] = [];
  let header = emptyImage(1, 1).data;
  let plays = 0;
  for (let at = 8; at + 12 <= bytes.length; at += 12 + view.getUint32(at)) {
    const length = view.getUint32(at);
    const type = String.fromCharCode(...bytes.subarray(at + 4, at + 8));
    const body = bytes.subarray(at + 8, at + 8 + length);
    const last = controls.at(-1);
    if (type === 'IHDR') header = body.slice();
    else if (type === 'PLTE' || type === 'tRNS') shared.push(pngChunk(type, body));
    else if (type === 'acTL' && length === 8) plays = view.getUint32(at + 12);
    else if (type === 'fcTL') controls.push(controlOf(body));
    // The still picture belongs to the animation only where it has a control before it.
    else if (type === 'IDAT') last?.data.push(body);
    else if (type === 'fdAT') last?.data.push(body.subarray(4));
    else if (type === 'IEND') break;
  }
  return { header, shared, controls, plays };
}

function controlOf(body: Uint8Array): Control {
  if (body.length !== 26)
    throw new InputFault('The animated PNG file has a control chunk of a wrong length.');
  const view = new DataView(body.buffer, body.byteOffset, body.byteLength);
  const denominator = view.getUint16(22) || 100;
  return {
    width: view.getUint32(4),
    height: view.getUint32(8),
    x: view.getUint32(12),
    y: view.getUint32(16),
    seconds: tidySeconds(view.getUint16(20) / denominator),
    dispose: body[24],
    blend: body[25],
    data: [],
  };
}
