import { describe, expect, it } from 'vitest';
import { fakeStudio } from '../testing/fake-studio';
import { BENCHES } from '../store/benches';
import { COMMANDS, commandFor, commandOf, titleOf } from './all-commands';
import { keyText } from './key-text';
import { giveKey, resetKeys } from './own-keys';

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
    expect(commandFor(studio, pressed('?', { shift: true }))?.command.id).toBe('keys');
  });

  it('are read as they stand on a keyboard', () => {
    expect(keyText('ctrl+shift+z')).toBe('Ctrl+Shift+Z');
    expect(keyText('shift+arrowleft')).toBe('Shift+←');
    const studio = fakeStudio();
    expect(titleOf(studio, 'undo')).toBe('Undo (Ctrl+Z)');
    expect(titleOf(studio, 'redo')).toBe('Redo (Ctrl+Shift+Z or Ctrl+Y)');
  });

  it('are changed; what had the key on the same bench loses it, and is named', () => {
    const studio = fakeStudio();
    expect(giveKey(studio, COMMANDS, commandOf('work-lamp'), 'ctrl+shift+l')).toBeNull();
    expect(commandFor(studio, pressed('L', { shift: true, ctrl: true }))?.command.id).toBe('work-lamp');
    expect(commandFor(studio, pressed('w'))).toBeNull();
    expect(giveKey(studio, COMMANDS, commandOf('work-lamp'), 'x')).toBe(
      'X was the key of “Next wipe”: it stands for “Work lamp” now.',
    );
    expect(commandFor(studio, pressed('x'))?.command.id).toBe('work-lamp');
    expect(titleOf(studio, 'wipe')).toBe('Next wipe');
    expect(giveKey(studio, COMMANDS, commandOf('wipe'), 'escape')).toMatch(/^Escape stays/);
    resetKeys(studio, null);
    expect(commandFor(studio, pressed('x'))?.command.id).toBe('wipe');
  });
});
