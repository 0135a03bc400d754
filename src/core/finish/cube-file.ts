/**
 * Lookup tables as `.cube` text, after the format as Adobe published it (Cube LUT Specification 1.0, 2013): keywords first, then
 * a line of three numbers for each place, red fastest. Blank lines, comments, tabs, spaces and both line endings are read.
 */
import { InputFault } from '../faults';
import { LIMITS } from '../limits';
import type { Rgb } from '../raster/colour';
import type { ColourTable } from './colour-table';

export interface CubeFile {
  /** Empty where the file says none. */
  title: string;
  table: ColourTable;
}

interface Reading {
  title: string;
  dimensions: 1 | 3 | null;
  size: number;
  low: Rgb;
  high: Rgb;
}

type KeywordReader = (reading: Reading, rest: string) => void;

const NUMBER = /^[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?$/i;

const size =
  (dimensions: 1 | 3, most: number): KeywordReader =>
  (reading, rest) => {
    if (reading.dimensions !== null) throw new InputFault('the size is given twice');
    const [places, ...others] = numbers(rest);
    if (others.length > 0 || !Number.isInteger(places) || places < 2 || places > most)
      throw new InputFault(`a size from 2 to ${most} is expected, not “${shortened(rest)}”`);
    reading.dimensions = dimensions;
    reading.size = places;
  };

const triple =
  (field: 'low' | 'high'): KeywordReader =>
  (reading, rest) => {
    reading[field] = three(rest);
  };

/** Some programs write one range for all channels. */
const inputRange: KeywordReader = (reading, rest) => {
  const [low, high, ...others] = numbers(rest);
  if (high === undefined || others.length > 0) throw new InputFault('two numbers are expected');
  reading.low = [low, low, low];
  reading.high = [high, high, high];
};

const KEYWORDS: Readonly<Record<string, KeywordReader>> = {
  TITLE: (reading, rest) => {
    const quoted = /^"(.*)"$/.exec(rest);
    if (!quoted) throw new InputFault('a title stands in quotation marks');
    reading.title = quoted[1].slice(0, LIMITS.nameLength);
  },
  LUT_1D_SIZE: size(1, LIMITS.curvePlaces),
  LUT_3D_SIZE: size(3, LIMITS.cubePlaces),
  DOMAIN_MIN: triple('low'),
  DOMAIN_MAX: triple('high'),
  LUT_1D_INPUT_RANGE: inputRange,
  LUT_3D_INPUT_RANGE: inputRange,
};

/**
 * @param key see ColourTable
 * @param file what errors call it
 * @throws InputFault that names the file and the line
 */
export function readCube(text: string, key: string, file: string): CubeFile {
  const reading: Reading = { title: '', dimensions: null, size: 0, low: [0, 0, 0], high: [1, 1, 1] };
  let values: Float32Array | null = null;
  let count = 0;
  let line = 0;
  for (const raw of text.split(/\r\n|\n|\r/)) {
    line++;
    const words = (line === 1 ? raw.replace(/^\ufeff/, '') : raw).trim();
    if (words === '' || words.startsWith('#')) continue;
    try {
      const keyword = /^[A-Z_][A-Z0-9_]*(?=\s|$)/.exec(words)?.[0];
      if (keyword) {
        if (values) throw new InputFault(`${shortened(keyword)} stands after the first values`);
        const read = Object.hasOwn(KEYWORDS, keyword) ? KEYWORDS[keyword] : undefined;
        if (!read) throw new InputFault(`the keyword ${shortened(keyword)} is not known`);
        read(reading, words.slice(keyword.length).trim());
        continue;
      }
      values ??= begun(reading);
      if (3 * count === values.length) throw new InputFault(`there are more than ${count} lines of values`);
      values.set(three(words), 3 * count++);
    } catch (thrown) {
      if (thrown instanceof InputFault) throw new InputFault(`${file}, line ${line}: ${thrown.message}.`);
      throw thrown;
    }
  }
  if (!values) throw new InputFault(`${file}, line ${line}: the file ends before any values.`);
  if (3 * count < values.length)
    throw new InputFault(
      `${file}, line ${line}: the file ends after ${count} lines of values; ${values.length / 3} are expected.`,
    );
  const { title, low, high } = reading;
  return { title, table: { key, dimensions: reading.dimensions!, size: reading.size, low, high, values } };
}

/** Room for the values, once all keywords are known. */
function begun({ dimensions, size: places, low, high }: Reading): Float32Array {
  if (dimensions === null) throw new InputFault('values stand before LUT_1D_SIZE or LUT_3D_SIZE');
  if (low.some((v, c) => !(v < high[c]))) throw new InputFault('the domain ends before it begins');
  return new Float32Array(3 * (dimensions === 1 ? places : places * places * places));
}

function three(words: string): Rgb {
  const found = numbers(words);
  if (found.length !== 3) throw new InputFault(`three numbers are expected, not “${shortened(words)}”`);
  return [found[0], found[1], found[2]];
}

function numbers(words: string): number[] {
  return words.split(/\s+/).map((word) => {
    const value = NUMBER.test(word) ? Number(word) : NaN;
    if (!Number.isFinite(Math.fround(value))) throw new InputFault(`“${shortened(word)}” is no number`);
    return value;
  });
}

const QUOTED_LENGTH = 24;
const shortened = (words: string) =>
  words.length > QUOTED_LENGTH ? `${words.slice(0, QUOTED_LENGTH)}…` : words;

/** A table as the text of a `.cube` file, six digits to a value. */
export function cubeText(
  { dimensions, size: places, low, high, values }: ColourTable,
  title: string,
): string {
  const lines = [
    `TITLE "${title.replaceAll(/["\r\n]/g, "'")}"`,
    `LUT_${dimensions}D_SIZE ${places}`,
    `DOMAIN_MIN ${low.join(' ')}`,
    `DOMAIN_MAX ${high.join(' ')}`,
  ];
  for (let i = 0; i < values.length; i += 3)
    lines.push(`${values[i].toFixed(6)} ${values[i + 1].toFixed(6)} ${values[i + 2].toFixed(6)}`);
  return `${lines.join('\n')}\n`;
}
