import { describe, expect, it } from 'vitest';
import { fakeStudio } from '../testing/fake-studio';
import { BENCHES } from '../store/benches';
import { COMMANDS, commandFor, titleOf } from './all-commands';
import { keyText } from './key-text';

const pressed = (key: string, held: { shift?: boolean; ctrl?: boolean } = {}) => ({
  key,
  shiftKey: held.shift ?? false,
  ctrlKey: held.ctrl ?? false,
  metaKey: false,
  altKey: false,
});

describe('keys', () => {
  it('are there for every command, and stand for one command on each bench', () => {
    for (const { id, keys } of COMMANDS) expect(keys, id).not.toEqual([]);
    for (const bench of BENCHES) {
      const studio = fakeStudio();
      studio.desk.setState({ bench });
      const here = COMMANDS.filter(({ isHere }) => isHere(studio)).flatMap(({ keys }) => keys);
      expect(here.filter((key, i) => here.indexOf(key) !== i)).toEqual([]);
    }
  });

  it('of letters are others with Shift; signs are keys of their own', () => {
    const studio = fakeStudio();
    expect(commandFor(studio, pressed('S'))?.command.id).toBe('tool-scatter');
    expect(commandFor(studio, pressed('S', { shift: true }))?.command.id).toBe('name-set');
    expect(commandFor(studio, pressed('Z', { shift: true, ctrl: true }))?.command.id).toBe('redo');
    expect(commandFor(studio, pressed('?', { shift: true }))).toBeNull();
  });

  it('are read as they stand on a keyboard', () => {
    expect(keyText('ctrl+shift+z')).toBe('Ctrl+Shift+Z');
    expect(keyText('shift+arrowleft')).toBe('Shift+←');
    expect(titleOf('undo')).toBe('Undo (Ctrl+Z)');
    expect(titleOf('redo')).toBe('Redo (Ctrl+Shift+Z or Ctrl+Y)');
  });
});
