/** Every action, defined once: its words, its key, whether it can be done now, and the doing. */
import { change, create, type Edit } from '@/core/scene/edits';
import { inOrder, type Sprite } from '@/core/scene/document';
import { orderAfter, orderBetween } from '@/core/scene/order';
import { ART_COMMANDS } from './art-commands';
import type { Command } from './command';
import { deleteEdits } from './delete-edits';
import { BENCHES, TOOLS, WIPES, type Bench, type ToolName } from './desk-store';
import { DAY_RATE } from './live';
import type { Picked } from './scene-store';
import { RELIEF_COMMANDS } from './relief-commands';
import { freshId, type Studio } from './studio';
import { movedEdits } from '../tools/pick';

export const TOOL_WORDS: Record<ToolName, { words: string; key: string }> = {
  pick: { words: 'Pick', key: 'q' },
  point: { words: 'Point', key: 'p' },
  place: { words: 'Place', key: 'l' },
  outline: { words: 'Outline', key: 'k' },
  line: { words: 'Line', key: 'j' },
};

const always = () => true;
const onStage = (studio: Studio) => ['stage', 'time'].includes(studio.desk.getState().bench);
const anyPicked = (studio: Studio) => onStage(studio) && studio.scenes.state.selection.length > 0;
const spritesPicked = (studio: Studio) => onStage(studio) && studio.pickedOf('sprites').length > 0;

function deletePicked(studio: Studio): void {
  const { selection } = studio.scenes.state;
  const planes = Object.keys(studio.scene.planes).length - studio.pickedOf('planes').length;
  if (studio.pickedOf('planes').length > 0 && planes < 1)
    return studio.say('The last plane stays: everything stands on planes.');
  studio.scenes.transact({ label: 'Delete', edits: deleteEdits(studio, selection), selection: [] });
}

/** How far a copy stands from what it was made of. */
const COPY_AWAY_PX = 8;

function duplicatePicked(studio: Studio): void {
  const { scene } = studio;
  const edits: Edit[] = [];
  const selection: Picked[] = [];
  for (const { collection, id } of studio.scenes.state.selection) {
    const copyId = freshId();
    if (collection === 'sprites') {
      const sprite = scene.sprites[id];
      edits.push(
        create('sprites', copyId, {
          ...sprite,
          x: sprite.x + COPY_AWAY_PX,
          order: orderAfter(Object.values(scene.sprites).map((s) => s.order)),
        }),
      );
      for (const occluder of Object.values(scene.occluders)) {
        if (occluder.spriteId === id)
          edits.push(create('occluders', freshId(), { ...occluder, spriteId: copyId }));
      }
    } else if (collection === 'lights') {
      const light = scene.lights[id];
      edits.push(
        create('lights', copyId, {
          ...light,
          name: `${light.name} copy`,
          x: light.x + COPY_AWAY_PX,
          order: orderAfter(Object.values(scene.lights).map((l) => l.order)),
        }),
      );
    } else if (collection === 'occluders') {
      const occluder = scene.occluders[id];
      edits.push(
        create('occluders', copyId, {
          ...occluder,
          outlines: occluder.outlines.map((points) =>
            points.map((v, i) => (i % 2 === 0 ? v + COPY_AWAY_PX : v)),
          ),
        }),
      );
    } else continue;
    selection.push({ collection, id: copyId });
  }
  if (edits.length > 0) studio.scenes.transact({ label: 'Duplicate', edits, selection });
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

/** Moves picked sprites one step in the drawing order of their plane. */
function reorder(studio: Studio, direction: 1 | -1): void {
  const [id] = studio.pickedOf('sprites');
  const { planeId } = studio.scene.sprites[id];
  const row = inOrder(
    Object.fromEntries(Object.entries(studio.scene.sprites).filter(([, s]) => s.planeId === planeId)),
  );
  const at = row.findIndex(([other]) => other === id);
  const [low, high] = direction === 1 ? [row[at + 1], row[at + 2]] : [row[at - 2], row[at - 1]];
  if (direction === 1 ? !low : !high) return;
  const bounds: [string | null, string | null] = [low?.[1].order ?? null, high?.[1].order ?? null];
  // Equal keys, as two copies may have, leave no room between them.
  if (bounds[0] !== null && bounds[1] !== null && bounds[0] >= bounds[1]) bounds[1] = null;
  studio.set(direction === 1 ? 'Bring forward' : 'Send back', 'sprites', id, {
    order: orderBetween(...bounds),
  });
}

function toBench(bench: Bench) {
  return (studio: Studio) => studio.desk.setState({ bench });
}

const BENCH_COMMANDS: Command[] = BENCHES.map((bench, i) => ({
  id: `bench-${bench}`,
  words: `Go to the bench ${i + 1}`,
  keys: [`alt+${i + 1}`],
  can: always,
  run: toBench(bench),
}));

const TOOL_COMMANDS: Command[] = TOOLS.map((tool) => ({
  id: `tool-${tool}`,
  words: `${TOOL_WORDS[tool].words} tool`,
  keys: [TOOL_WORDS[tool].key],
  can: onStage,
  run: (studio) => studio.desk.setState(tool === 'place' ? { tool, shelfOpen: true } : { tool }),
}));

export const COMMANDS: Command[] = [
  {
    id: 'undo',
    words: 'Undo',
    keys: ['ctrl+z'],
    can: (s) => s.scenes.state.undo.length > 0,
    run: (s) => s.scenes.undo(),
  },
  {
    id: 'redo',
    words: 'Redo',
    keys: ['ctrl+shift+z', 'ctrl+y'],
    can: (s) => s.scenes.state.redo.length > 0,
    run: (s) => s.scenes.redo(),
  },
  {
    id: 'delete',
    words: 'Delete what is picked',
    keys: ['delete', 'backspace'],
    can: anyPicked,
    run: deletePicked,
  },
  {
    id: 'duplicate',
    words: 'Duplicate what is picked',
    keys: ['ctrl+d'],
    can: anyPicked,
    run: duplicatePicked,
  },
  {
    id: 'pick-all',
    words: 'Pick all lights and sprites',
    keys: ['ctrl+a'],
    can: onStage,
    run: (s) =>
      s.scenes.select(
        (['lights', 'sprites'] as const).flatMap((collection) =>
          Object.keys(s.scene[collection]).map((id) => ({ collection, id })),
        ),
      ),
  },
  {
    id: 'flip-x',
    words: 'Flip left to right',
    keys: ['h'],
    can: spritesPicked,
    run: (s) => eachSprite(s, 'Flip', ({ flipX }) => ({ flipX: !flipX })),
  },
  {
    id: 'flip-y',
    words: 'Flip top to bottom',
    keys: ['v'],
    can: spritesPicked,
    run: (s) => eachSprite(s, 'Flip', ({ flipY }) => ({ flipY: !flipY })),
  },
  {
    id: 'turn',
    words: 'Turn by a quarter',
    keys: ['t'],
    can: spritesPicked,
    run: (s) => eachSprite(s, 'Turn', ({ turnDeg }) => ({ turnDeg: (((turnDeg + 90) % 360) + 360) % 360 })),
  },
  {
    id: 'forward',
    words: 'Bring forward',
    keys: ['.'],
    can: (s) => spritesPicked(s),
    run: (s) => reorder(s, 1),
  },
  { id: 'back', words: 'Send back', keys: [','], can: (s) => spritesPicked(s), run: (s) => reorder(s, -1) },
  { id: 'left', words: 'Nudge left', keys: ['arrowleft'], can: anyPicked, run: nudge(-1, 0) },
  { id: 'right', words: 'Nudge right', keys: ['arrowright'], can: anyPicked, run: nudge(1, 0) },
  { id: 'up', words: 'Nudge up', keys: ['arrowup'], can: anyPicked, run: nudge(0, -1) },
  { id: 'down', words: 'Nudge down', keys: ['arrowdown'], can: anyPicked, run: nudge(0, 1) },
  { id: 'left-8', words: 'Nudge far left', keys: ['shift+arrowleft'], can: anyPicked, run: nudge(-8, 0) },
  { id: 'right-8', words: 'Nudge far right', keys: ['shift+arrowright'], can: anyPicked, run: nudge(8, 0) },
  { id: 'up-8', words: 'Nudge far up', keys: ['shift+arrowup'], can: anyPicked, run: nudge(0, -8) },
  { id: 'down-8', words: 'Nudge far down', keys: ['shift+arrowdown'], can: anyPicked, run: nudge(0, 8) },
  {
    id: 'work-lamp',
    words: 'Work lamp',
    keys: ['w'],
    can: onStage,
    run: (s) => s.desk.setState(({ workLamp }) => ({ workLamp: !workLamp })),
  },
  {
    id: 'wipe',
    words: 'Next wipe',
    keys: ['x'],
    can: onStage,
    run: (s) => s.desk.setState(({ wipe }) => ({ wipe: WIPES[(WIPES.indexOf(wipe) + 1) % WIPES.length] })),
  },
  {
    id: 'freeze',
    words: 'Freeze the flames',
    keys: ['f'],
    can: onStage,
    run: (s) => s.live.setState(({ isFrozen }) => ({ isFrozen: !isFrozen })),
  },
  {
    id: 'play-day',
    words: 'Play the day',
    keys: ['d'],
    can: onStage,
    run: (s) => s.live.setState(({ dayRate }) => ({ dayRate: dayRate === 0 ? DAY_RATE : 0 })),
  },
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

/** The command that a key press stands for and that can be done now, or null. */
export function commandFor(
  studio: Studio,
  event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'>,
): Command | null {
  const parts = [];
  if (event.ctrlKey || event.metaKey) parts.push('ctrl');
  if (event.altKey) parts.push('alt');
  const key = event.key.toLowerCase();
  // A shifted sign such as ? is a key of its own; letters and arrows keep the word.
  if (event.shiftKey && (key.length > 1 || parts.length > 0)) parts.push('shift');
  const pressed = [...parts, key].join('+');
  return COMMANDS.find((command) => command.keys.includes(pressed) && command.can(studio)) ?? null;
}
