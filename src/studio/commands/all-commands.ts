/** Every action, defined once: its words, its key, whether it can be done now, and the doing. */
import { cellOf, FLIP_X, FLIP_Y, tileOf, turnedTile } from '@/core/art/tiles';
import { change } from '@/core/scene/edits';
import type { Sprite } from '@/core/scene/records/sprite';
import { ART_COMMANDS } from './art';
import { CLIP_COMMANDS } from './clip';
import { noSpritePicked, nothingPicked, onStage, type Command } from './command';
import { deleteEdits } from '../store/delete-edits';
import { benchFacts, BENCHES } from '../store/benches';
import { TILE_TOOLS, TOOLS, WIPES, type ToolName } from '../store/desk-store';
import { DAY_RATE } from '../store/live';
import { PLACING_COMMANDS } from './placing';
import { RELIEF_COMMANDS } from './relief';
import type { Studio } from '../store/studio';
import { movedEdits } from '../store/moved-edits';

export const TOOL_WORDS: Record<ToolName, { words: string; key: string; hint: string }> = {
  pick: { words: 'Pick', key: 'q', hint: 'Choose, move and shape things' },
  light: { words: 'Light', key: 'p', hint: 'Press where it stands, drag; its kind is chosen in the bay' },
  place: { words: 'Place', key: 'l', hint: 'Stamp what is chosen on the shelf' },
  scatter: { words: 'Scatter', key: 's', hint: 'Strew several artworks over a box' },
  board: { words: 'Board', key: 'b', hint: 'A rectangle of one colour, without art' },
  hang: { words: 'Hang', key: 'g', hint: 'Hang what is picked on a bracket' },
  outline: { words: 'Outline', key: 'k', hint: 'A closed occluder, point by point' },
  line: { words: 'Line', key: 'j', hint: 'An open occluder, point by point' },
  rectangle: { words: 'Box', key: 'n', hint: 'A rectangle that stops light' },
  ellipse: { words: 'Ellipse', key: 'e', hint: 'An ellipse that stops light' },
  lay: { words: 'Lay', key: 'y', hint: 'Lay tiles cell by cell' },
  box: { words: 'Lay a box', key: 'u', hint: 'Fill a box with tiles' },
  flood: { words: 'Flood', key: 'i', hint: 'Exchange all alike that hang together' },
  lift: { words: 'Lift', key: 'o', hint: 'Take tiles away' },
  match: { words: 'Match', key: 'm', hint: 'Lay more of a tile that is there' },
};

const always = () => true;
const laysTiles = (studio: Studio) =>
  onStage(studio) && (TILE_TOOLS as readonly string[]).includes(studio.desk.getState().tool);

/** Turns or flips the tile that is laid. */
function turnTile(studio: Studio, change: (orientation: number) => number): void {
  const tile = tileOf(studio.desk.getState().tile);
  if (tile) studio.desk.setState({ tile: cellOf({ ...tile, orientation: change(tile.orientation) }) });
}

function deletePicked(studio: Studio): void {
  const { selection } = studio.scenes.state;
  const planes = Object.keys(studio.scene.planes).length - studio.pickedOf('planes').length;
  if (studio.pickedOf('planes').length > 0 && planes < 1)
    return studio.say('The last plane stays: everything stands on planes.');
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

const BENCH_COMMANDS: Command[] = BENCHES.map((bench, i) => ({
  id: `bench-${bench}`,
  words: `Go to the ${benchFacts(bench).word} bench`,
  keys: [`alt+${i + 1}`],
  isHere: always,
  run: (studio) => studio.desk.setState({ bench }),
}));

const TOOL_COMMANDS: Command[] = [...TOOLS, ...TILE_TOOLS].map((tool) => ({
  id: `tool-${tool}`,
  words: `${TOOL_WORDS[tool].words} tool`,
  keys: [TOOL_WORDS[tool].key],
  isHere: onStage,
  run: (studio) => studio.desk.setState(tool === 'place' ? { tool, shelfOpen: true } : { tool }),
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
    id: 'delete',
    words: 'Delete what is picked',
    keys: ['delete', 'backspace'],
    isHere: onStage,
    whyNot: nothingPicked,
    run: deletePicked,
  },
  {
    id: 'pick-all',
    words: 'Pick all lights and sprites',
    keys: ['ctrl+a'],
    isHere: onStage,
    run: (s) =>
      s.scenes.select(
        (['lights', 'lamps', 'sprites'] as const).flatMap((collection) =>
          Object.keys(s.scene[collection]).map((id) => ({ collection, id })),
        ),
      ),
  },
  {
    id: 'flip-tile-x',
    words: 'Flip the tile left to right',
    keys: ['h'],
    isHere: laysTiles,
    run: (s) => turnTile(s, (orientation) => orientation ^ FLIP_X),
  },
  {
    id: 'flip-tile-y',
    words: 'Flip the tile top to bottom',
    keys: ['v'],
    isHere: laysTiles,
    run: (s) => turnTile(s, (orientation) => orientation ^ FLIP_Y),
  },
  {
    id: 'turn-tile',
    words: 'Turn the tile',
    keys: ['t'],
    isHere: laysTiles,
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
    id: 'wipe',
    words: 'Next wipe',
    keys: ['x'],
    isHere: onStage,
    run: (s) => s.desk.setState(({ wipe }) => ({ wipe: WIPES[(WIPES.indexOf(wipe) + 1) % WIPES.length] })),
  },
  {
    id: 'freeze',
    words: 'Freeze the flames',
    keys: ['f'],
    isHere: onStage,
    run: (s) => s.live.setState(({ isFrozen }) => ({ isFrozen: !isFrozen })),
  },
  {
    id: 'play-day',
    words: 'Play the day',
    keys: ['d'],
    isHere: onStage,
    run: (s) => s.live.setState(({ dayRate }) => ({ dayRate: dayRate === 0 ? DAY_RATE : 0 })),
  },
  ...CLIP_COMMANDS,
  ...PLACING_COMMANDS,
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
  const parts = [];
  if (event.ctrlKey || event.metaKey) parts.push('ctrl');
  if (event.altKey) parts.push('alt');
  const key = event.key.toLowerCase();
  // A shifted sign such as ? is a key of its own; letters and arrows keep the word.
  if (event.shiftKey && (key.length > 1 || parts.length > 0)) parts.push('shift');
  const pressed = [...parts, key].join('+');
  const meant = COMMANDS.filter(({ keys, isHere }) => keys.includes(pressed) && isHere(studio)).map(
    (command): Meant => ({ command, whyNot: command.whyNot?.(studio) ?? null }),
  );
  return meant.find((one) => one.whyNot === null) ?? meant[0] ?? null;
}
