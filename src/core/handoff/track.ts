/** A track: numbers over time, as CSV with units in its header, and as JSON. */
import { csvFormatRows } from 'd3-dsv';

export interface TrackColumn {
  name: string;
  /** As `px`, `deg`, `h`; null is a share, or a word. */
  unit: string | null;
}

export interface Track {
  name: string;
  columns: readonly TrackColumn[];
  /** A value for each column: numbers, colours as `#rrggbb`, or names. */
  rows: readonly (readonly (number | string)[])[];
}

/** Digits behind the point: a millionth is more than any of these tells. */
const DIGITS = 6;

export function trackCsv({ columns, rows }: Track): string {
  const header = columns.map(({ name, unit }) => (unit === null ? name : `${name} (${unit})`));
  return `${csvFormatRows([header, ...rows.map((row) => row.map(written))])}\n`;
}

export function trackJson({ name, columns, rows }: Track): object {
  return {
    ...{ format: 'oilwick-track', version: 1, name, columns },
    rows: rows.map((row) => row.map((value) => (typeof value === 'number' ? rounded(value) : value))),
  };
}

function rounded(value: number): number {
  return Number(value.toFixed(DIGITS));
}

const written = (value: number | string) => (typeof value === 'number' ? String(rounded(value)) : value);
