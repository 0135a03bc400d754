/** Keys as they are read on the screen. */
const NAMES: Readonly<Record<string, string>> = {
  arrowleft: '←',
  arrowright: '→',
  arrowup: '↑',
  arrowdown: '↓',
};

/**
 * @param key as a command has it: `ctrl+shift+z`
 * @returns `Ctrl+Shift+Z`
 */
export function keyText(key: string): string {
  return key
    .split('+')
    .map((part) => NAMES[part] ?? part.charAt(0).toUpperCase() + part.slice(1))
    .join('+');
}
