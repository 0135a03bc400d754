'use client';
import { ToolKey } from '../controls/ToolKey';
import { useDesk, useStudio } from '../context';
import { commandOf, titleOf, TOOL_WORDS } from '../commands/all-commands';
import { TOOLS } from '../store/desk-store';
import { usePlaneOptions } from './use-fields';

export function ToolKeys() {
  const studio = useStudio();
  const tool = useDesk((state) => state.tool);
  const planeId = useDesk((state) => state.planeId);
  const planes = usePlaneOptions();
  return (
    <div className="flex w-[168px] shrink-0 flex-col gap-1 border-r border-line bg-soot p-2">
      <div
        role="toolbar"
        aria-label="Tools"
        className="grid auto-rows-[21px] grid-cols-2 gap-x-1 gap-y-[3px]"
      >
        {TOOLS.map((name) => (
          <ToolKey
            key={name}
            words={TOOL_WORDS[name].words}
            command={`tool-${name}`}
            title={TOOL_WORDS[name].hint}
            pressed={tool === name}
            onClick={() => commandOf(`tool-${name}`).run(studio)}
          />
        ))}
      </div>
      <div className="flex justify-between">
        <ShelfKey />
        <WiringKey />
      </div>
      <label className="mt-auto flex items-center gap-2 text-ash">
        <span className="shrink-0">New items on</span>
        <select
          aria-label="Plane that new things are put on"
          className="key min-w-0 flex-1 py-0 text-chalk"
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

function ShelfKey() {
  const studio = useStudio();
  const isOpen = useDesk((state) => state.panel === 'shelf');
  return (
    <button
      type="button"
      className="h-[18px] cursor-pointer text-left text-brass"
      aria-pressed={isOpen}
      onClick={() => studio.desk.setState({ panel: isOpen ? null : 'shelf' })}
    >
      {isOpen ? 'Close the shelf' : 'Open the shelf'}
    </button>
  );
}

function WiringKey() {
  const studio = useStudio();
  const isOpen = useDesk((state) => state.panel === 'wiring');
  return (
    <button
      type="button"
      className={`h-[18px] cursor-pointer ${isOpen ? 'text-verdigris' : 'text-brass'}`}
      aria-pressed={isOpen}
      title={titleOf(studio, 'wiring')}
      onClick={() => commandOf('wiring').run(studio)}
    >
      Wiring
    </button>
  );
}
