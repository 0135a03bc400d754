/** Every action, defined once: its words, its key, whether it can be done now, and the doing. */
import { cellOf, FLIP_X, FLIP_Y, tileOf, turnedTile } from '@/core/art/tiles';
import { change } from '@/core/scene/edits';
import type { Sprite } from '@/core/scene/records/sprite';
import { ART_COMMANDS } from './art';
import { CLIP_COMMANDS } from './clip';
import { noSpritePicked, nothingPicked, onStage, type Command } from './command';
import { deleteEdits } from '../store/delete-edits';
import { benchFacts, BENCHES } from '../store/benches';
import { TILE_TOOLS, TIME_TOOLS, TOOLS, type Panel, type ToolName } from '../store/desk-store';
import { nextWipe } from './wipe-views';
import { PLACING_COMMANDS } from './placing';
import { RELIEF_COMMANDS } from './relief';
import { SHOWING_COMMANDS } from './showing';
import { TIME_COMMANDS } from './time';
import { keyText } from './key-text';
import { keysOf, pressedKey } from './own-keys';
import type { Studio } from '../store/studio';
import { pickedMover, worksOnPaths } from '../store/motion-edits';
import { movedEdits } from '../store/moved-edits';

export const TOOL_WORDS: Record<ToolName, { words: string; key: string; hint: string }> = {
  pick: { words: 'Pick', key: 'q', hint: 'Choose, move and shape things' },
  light: { words: 'Light', key: 'p', hint: 'Press where it stands, drag; its kind is chosen in the bay' },
  place: { words: 'Place', key: 'l', hint: 'Stamp what is chosen on the shelf' },
  scatter: { words: 'Scatter', key: 's', hint: 'Scatter several artworks over a rectangle' },
  flat: { words: 'Flat', key: 'b', hint: 'A rectangle of one colour, without art' },
  hang: { words: 'Hang', key: 'g', hint: 'Hang what is picked on a bracket' },
  outline: { words: 'Outline', key: 'k', hint: 'A closed occluder, point by point' },
  line: { words: 'Line', key: 'j', hint: 'An open occluder, point by point' },
  rectangle: { words: 'Box', key: 'n', hint: 'A rectangle that stops light' },
  ellipse: { words: 'Ellipse', key: 'e', hint: 'An ellipse that stops light' },
  meter: { words: 'Meter', key: 'r', hint: 'What a pixel is made of, and why a light gives it nothing' },
  paint: { words: 'Paint', key: 'y', hint: 'Paint tiles cell by cell' },
  'fill-rectangle': { words: 'Rectangle', key: 'u', hint: 'Fill a rectangle with tiles' },
  fill: { words: 'Fill', key: 'i', hint: 'Fill cells of the same tile that touch' },
  erase: { words: 'Erase', key: 'o', hint: 'Erase tiles' },
  path: { words: 'Path', key: 'a', hint: 'The way along which what is picked goes, point by point' },
  'pick-tile': { words: 'Pick', key: 'm', hint: 'Pick a tile on the stage, to paint more of it' },
};

const always = () => true;
const paintsTiles = (studio: Studio) =>
  onStage(studio) && (TILE_TOOLS as readonly string[]).includes(studio.desk.getState().tool);

/** Turns or flips the tile that is laid. */
function turnTile(studio: Studio, change: (orientation: number) => number): void {
  const tile = tileOf(studio.desk.getState().tile);
  if (tile) studio.desk.setState({ tile: cellOf({ ...tile, orientation: change(tile.orientation) }) });
}

function lastPlane(studio: Studio): string | null {
  const picked = studio.pickedOf('planes').length;
  return picked > 0 && picked === Object.keys(studio.scene.planes).length
    ? 'The last plane stays: everything stands on planes.'
    : null;
}

function deletePicked(studio: Studio): void {
  const why = lastPlane(studio);
  if (why !== null) return studio.say(why);
  const { selection } = studio.scenes.state;
  studio.scenes.transact({ label: 'Delete', edits: deleteEdits(studio, selection), selection: [] });
}

function eachSprite(studio: Studio, label: string, fields: (sprite: Sprite) => Partial<Sprite>): void {
  const edits = studio
    .pickedOf('sprites')
    .flatMap((id) => change(studio.scene, 'sprites', id, fields(studio.scene.sprites[id])) ?? []);
  studio.scenes.transact({ label, edits });
}

function nudge(dx: number, dy: number) {
  return (studio: Studio) =>
    studio.scenes.transact({
      label: 'Nudge',
      edits: movedEdits(
        studio.scene,
        studio.scenes.state.selection,
        [dx, dy],
        studio.live.getState().seconds,
      ),
    });
}

/** Lays a panel over the stage, or takes it away. */
function togglePanel({ desk }: Studio, panel: Panel): void {
  desk.setState((state) => ({ panel: state.panel === panel ? null : panel }));
}

const BENCH_COMMANDS: Command[] = BENCHES.map((bench, i) => ({
  id: `bench-${bench}`,
  words: `Go to the ${benchFacts(bench).word} bench`,
  keys: [`alt+${i + 1}`],
  isHere: always,
  run: (studio) => studio.desk.setState({ bench }),
}));

function isTimeTool(tool: ToolName): boolean {
  return (TIME_TOOLS as readonly string[]).includes(tool);
}

const TOOL_COMMANDS: Command[] = [...TOOLS, ...TILE_TOOLS, ...TIME_TOOLS].map((tool) => ({
  id: `tool-${tool}`,
  words: `${TOOL_WORDS[tool].words} tool`,
  keys: [TOOL_WORDS[tool].key],
  isHere: isTimeTool(tool) ? worksOnPaths : onStage,
  ...(isTimeTool(tool) && {
    whyNot: (studio: Studio) =>
      pickedMover(studio) ? null : 'Pick one sprite, light or lamp first: the path is for that.',
  }),
  run: (studio) => studio.desk.setState(tool === 'place' ? { tool, panel: 'shelf' } : { tool }),
}));

export const COMMANDS: Command[] = [
  {
    id: 'undo',
    words: 'Undo',
    keys: ['ctrl+z'],
    isHere: always,
    whyNot: (s) =>
      s.scenes.isGesturing || s.scenes.state.undo.length > 0 ? null : 'There is nothing to undo.',
    run: (s) => s.scenes.undo(),
  },
  {
    id: 'redo',
    words: 'Redo',
    keys: ['ctrl+shift+z', 'ctrl+y'],
    isHere: always,
    whyNot: (s) => (s.scenes.state.redo.length > 0 ? null : 'There is nothing to redo.'),
    run: (s) => s.scenes.redo(),
  },
  {
    id: 'palette',
    words: 'Look for an action',
    keys: ['ctrl+k'],
    isHere: always,
    run: (s) => s.desk.setState({ paletteOpen: true }),
  },
  {
    id: 'delete',
    words: 'Delete what is picked',
    keys: ['delete', 'backspace'],
    isHere: onStage,
    whyNot: (s) => nothingPicked(s) ?? lastPlane(s),
    run: deletePicked,
  },
  {
    id: 'pick-all',
    words: 'Pick all lights, lamps, sprites and occluders',
    keys: ['ctrl+a'],
    isHere: onStage,
    run: (s) =>
      s.scenes.select(
        (['lights', 'lamps', 'sprites', 'occluders'] as const).flatMap((collection) =>
          Object.entries(s.scene[collection]).flatMap(([id, { locked }]) =>
            locked ? [] : [{ collection, id }],
          ),
        ),
      ),
  },
  {
    id: 'flip-tile-x',
    words: 'Flip the tile left to right',
    keys: ['h'],
    isHere: paintsTiles,
    run: (s) => turnTile(s, (orientation) => orientation ^ FLIP_X),
  },
  {
    id: 'flip-tile-y',
    words: 'Flip the tile top to bottom',
    keys: ['v'],
    isHere: paintsTiles,
    run: (s) => turnTile(s, (orientation) => orientation ^ FLIP_Y),
  },
  {
    id: 'turn-tile',
    words: 'Turn the tile',
    keys: ['t'],
    isHere: paintsTiles,
    run: (s) => turnTile(s, turnedTile),
  },
  {
    id: 'flip-x',
    words: 'Flip left to right',
    keys: ['h'],
    isHere: onStage,
    whyNot: noSpritePicked,
    run: (s) => eachSprite(s, 'Flip', ({ flipX }) => ({ flipX: !flipX })),
  },
  {
    id: 'flip-y',
    words: 'Flip top to bottom',
    keys: ['v'],
    isHere: onStage,
    whyNot: noSpritePicked,
    run: (s) => eachSprite(s, 'Flip', ({ flipY }) => ({ flipY: !flipY })),
  },
  {
    id: 'turn',
    words: 'Turn by a quarter',
    keys: ['t'],
    isHere: onStage,
    whyNot: noSpritePicked,
    run: (s) => eachSprite(s, 'Turn', ({ turnDeg }) => ({ turnDeg: (((turnDeg + 90) % 360) + 360) % 360 })),
  },
  {
    id: 'left',
    words: 'Nudge left',
    keys: ['arrowleft'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: nudge(-1, 0),
  },
  {
    id: 'right',
    words: 'Nudge right',
    keys: ['arrowright'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: nudge(1, 0),
  },
  {
    id: 'up',
    words: 'Nudge up',
    keys: ['arrowup'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: nudge(0, -1),
  },
  {
    id: 'down',
    words: 'Nudge down',
    keys: ['arrowdown'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: nudge(0, 1),
  },
  {
    id: 'left-8',
    words: 'Nudge far left',
    keys: ['shift+arrowleft'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: nudge(-8, 0),
  },
  {
    id: 'right-8',
    words: 'Nudge far right',
    keys: ['shift+arrowright'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: nudge(8, 0),
  },
  {
    id: 'up-8',
    words: 'Nudge far up',
    keys: ['shift+arrowup'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: nudge(0, -8),
  },
  {
    id: 'down-8',
    words: 'Nudge far down',
    keys: ['shift+arrowdown'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: nudge(0, 8),
  },
  {
    id: 'work-lamp',
    words: 'Work lamp',
    keys: ['w'],
    isHere: onStage,
    run: (s) => s.desk.setState(({ workLamp }) => ({ workLamp: !workLamp })),
  },
  {
    id: 'passes',
    words: 'Passes of a frame',
    keys: ['alt+p'],
    isHere: onStage,
    run: (s) => s.desk.setState({ passesOpen: true }),
  },
  {
    id: 'wiring',
    words: 'Wiring',
    keys: ['alt+w'],
    isHere: onStage,
    run: (s) => togglePanel(s, 'wiring'),
  },
  {
    id: 'revisions',
    words: 'History: revisions',
    keys: ['alt+h'],
    isHere: onStage,
    run: (s) => togglePanel(s, 'revisions'),
  },
  {
    id: 'steps',
    words: 'History: your steps',
    keys: ['alt+z'],
    isHere: onStage,
    run: (s) => togglePanel(s, 'steps'),
  },
  {
    id: 'keys',
    words: 'Keys, and how to change them',
    keys: ['?'],
    isHere: always,
    run: (s) => s.desk.setState({ keysOpen: true }),
  },
  {
    id: 'wipe',
    words: 'Next wipe',
    keys: ['x'],
    isHere: onStage,
    run: nextWipe,
  },
  ...TIME_COMMANDS,
  ...CLIP_COMMANDS,
  ...PLACING_COMMANDS,
  ...SHOWING_COMMANDS,
  ...TOOL_COMMANDS,
  ...RELIEF_COMMANDS,
  ...BENCH_COMMANDS,
  ...ART_COMMANDS,
];

export function commandOf(id: string): Command {
  const command = COMMANDS.find((c) => c.id === id);
  if (!command) throw new Error(`There is no command ${id}.`);
  return command;
}

/** Why a command cannot be done now, in words; null where it can. */
export function whyNot(studio: Studio, id: string): string | null {
  return commandOf(id).whyNot?.(studio) ?? null;
}

/** What a command does and by which keys, for a hover: `Undo (Ctrl+Z)`. */
export function titleOf({ preferences }: Pick<Studio, 'preferences'>, id: string): string {
  const command = commandOf(id);
  const keys = keysOf(preferences.getState(), command);
  return keys.length === 0 ? command.words : `${command.words} (${keys.map(keyText).join(' or ')})`;
}

/** What a key press stands for on what is before the person. */
export interface Meant {
  command: Command;
  /** Why it cannot be done now; null where it can. */
  whyNot: string | null;
}

/** @returns the command that can be done, or one that cannot, with the reason; null where the key means nothing here */
export function commandFor(
  studio: Studio,
  event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'>,
): Meant | null {
  const pressed = pressedKey(event);
  if (pressed === null) return null;
  const own = studio.preferences.getState();
  const meant = COMMANDS.filter(
    (command) => keysOf(own, command).includes(pressed) && command.isHere(studio),
  ).map((command): Meant => ({ command, whyNot: command.whyNot?.(studio) ?? null }));
  return meant.find((one) => one.whyNot === null) ?? meant[0] ?? null;
}
