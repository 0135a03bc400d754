'use client';
import { useStore } from 'zustand';
import { useStudio } from '../context';
import { ToolKey } from '../controls/ToolKey';
import { ART_TOOL_WORDS, ART_TOOLS } from '../store/art-bench';
import { commandOf } from '../store/commands';
import { AboutColumn } from './AboutColumn';
import { CutColumn } from './CutColumn';
import { FrameColumn, PlayColumn } from './PlayColumn';
import { BracketColumn, StandColumn } from './StandColumn';

export function ArtDesk({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const tool = useStore(studio.artBench, (state) => state.tool);
  const picked = useStore(studio.artBench, (state) => state.picked);
  return (
    <div className="flex min-h-0 border-t border-line bg-slate">
      <div
        role="toolbar"
        aria-label="Tools"
        className="grid w-[104px] shrink-0 auto-rows-[24px] gap-[3px] border-r border-line bg-soot p-2"
      >
        {ART_TOOLS.map((name) => (
          <ToolKey
            key={name}
            words={ART_TOOL_WORDS[name].words}
            keyName={ART_TOOL_WORDS[name].key}
            title={ART_TOOL_WORDS[name].hint}
            pressed={tool === name}
            onClick={() => commandOf(`art-${name}`).run(studio)}
          />
        ))}
      </div>
      <div className="flex min-w-0 flex-1 gap-[14px] overflow-x-auto px-3 pt-2">
        <CutColumn key={artworkId} artworkId={artworkId} />
        <PlayColumn artworkId={artworkId} />
        <FrameColumn artworkId={artworkId} />
        <StandColumn artworkId={artworkId} />
        <BracketColumn artworkId={artworkId} />
        <AboutColumn artworkId={artworkId} picked={[...picked]} />
      </div>
    </div>
  );
}
