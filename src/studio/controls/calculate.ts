/** Small sums as typed into a field: numbers, + - * / and brackets. */

/** @returns the result, or null where the text is no sum */
export function calculate(text: string): number | null {
  const tokens = text.replaceAll(',', '.').match(/\d*\.?\d+|[-+*/()]|\S/g) ?? [];
  let at = 0;
  const sum = (): number => {
    let value = product();
    while (tokens[at] === '+' || tokens[at] === '-')
      value = tokens[at++] === '+' ? value + product() : value - product();
    return value;
  };
  const product = (): number => {
    let value = unit();
    while (tokens[at] === '*' || tokens[at] === '/')
      value = tokens[at++] === '*' ? value * unit() : value / unit();
    return value;
  };
  const unit = (): number => {
    const token = tokens[at++];
    if (token === '-') return -unit();
    if (token === '(') {
      const value = sum();
      return tokens[at++] === ')' ? value : Number.NaN;
    }
    return token !== undefined && /^[\d.]+$/.test(token) ? Number(token) : Number.NaN;
  };
  const result = sum();
  return at === tokens.length && Number.isFinite(result) ? result : null;
}
