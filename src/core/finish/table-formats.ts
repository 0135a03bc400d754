/** How the file of a table is written: as lines of text, or as a picture of squares. */
export const TABLE_FORMATS = ['cube', 'picture'] as const;
export type TableFormat = (typeof TABLE_FORMATS)[number];

/** The type under which a file of either kind is kept and sent. */
export const TABLE_TYPES: Readonly<Record<TableFormat, string>> = {
  cube: 'text/plain',
  picture: 'image/png',
};
