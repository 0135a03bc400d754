/** A name as part of a path on any system. */
export function plainName(name: string, empty = 'scene'): string {
  return (
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || empty
  );
}

/**
 * A file name for each record: its own name made plain; where two are the same, with a number.
 * @param empty the name of what has none in letters or digits
 */
export function fileNames(
  records: Readonly<Record<string, { name: string }>>,
  empty: string,
): Record<string, string> {
  const taken = new Set<string>();
  const names: Record<string, string> = {};
  for (const [id, { name }] of Object.entries(records)) {
    const plain = plainName(name, empty);
    let unique = plain;
    for (let n = 2; taken.has(unique); n++) unique = `${plain}-${n}`;
    taken.add(unique);
    names[id] = unique;
  }
  return names;
}
