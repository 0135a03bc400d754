'use client';
import { useDesk, useScene, useStudio } from '../context';
import { commandOf, TOOL_WORDS } from '../store/commands';
import { TOOLS } from '../store/desk-store';
import { inOrder } from '@/core/scene/document';

export function ToolKeys() {
  const studio = useStudio();
  const tool = useDesk((state) => state.tool);
  const shelfOpen = useDesk((state) => state.shelfOpen);
  const planeId = useDesk((state) => state.planeId);
  const planes = useScene((state) =>
    inOrder(state.scene.planes).map(([id, { name }]) => [id, name] as const),
  );
  return (
    <div className="flex w-[168px] shrink-0 flex-col gap-1 border-r border-line bg-soot p-2">
      <div role="toolbar" aria-label="Tools" className="grid grid-cols-2 gap-1">
        {TOOLS.map((name) => (
          <button
            key={name}
            type="button"
            className="key flex items-center justify-between"
            aria-pressed={tool === name}
            onClick={() => commandOf(`tool-${name}`).run(studio)}
          >
            {TOOL_WORDS[name].words}
            <span className="figure text-dust uppercase">{TOOL_WORDS[name].key}</span>
          </button>
        ))}
        <button
          type="button"
          className="key flex items-center justify-between"
          aria-pressed={shelfOpen}
          onClick={() => studio.desk.setState({ shelfOpen: !shelfOpen })}
        >
          Shelf
        </button>
      </div>
      <label className="mt-auto flex items-center gap-2 text-ash">
        onto
        <select
          aria-label="Plane that new things are put on"
          className="key min-w-0 flex-1 text-chalk"
          value={planeId ?? ''}
          onChange={(event) => studio.desk.setState({ planeId: event.currentTarget.value })}
        >
          {planes.map(([id, name]) => (
            <option key={id} value={id} className="bg-slate">
              {name}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}
