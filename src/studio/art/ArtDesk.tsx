'use client';
import { useStore } from 'zustand';
import { useStudio } from '../context';
import { BayColumns } from '../controls/BayColumns';
import { ToolKeys } from '../controls/ToolKeys';
import { ART_TOOL_WORDS, ART_TOOLS } from '../store/art-bench';
import { AboutColumn } from './AboutColumn';
import { CutColumn } from './CutColumn';
import { OccludersColumn, OutlineColumn, PointsColumn } from './OutlineColumns';
import { FrameColumn, PlayColumn } from './PlayColumn';
import { BracketColumn, StandColumn } from './StandColumn';

export function ArtDesk({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const tool = useStore(studio.artBench, (state) => state.tool);
  const picked = useStore(studio.artBench, (state) => state.picked);
  return (
    <div className="flex min-h-0 border-t border-line bg-slate">
      <ToolKeys bench="art" tools={ART_TOOLS} words={ART_TOOL_WORDS} tool={tool} className="w-[104px]" />
      <div className="min-w-0 flex-1 px-3 pt-2">
        <BayColumns>
          {tool === 'outline' ? (
            <>
              <OutlineColumn key={artworkId} artworkId={artworkId} />
              <OccludersColumn artworkId={artworkId} />
              <PointsColumn artworkId={artworkId} />
            </>
          ) : (
            <>
              <CutColumn key={artworkId} artworkId={artworkId} />
              <PlayColumn artworkId={artworkId} />
              <FrameColumn artworkId={artworkId} />
              <StandColumn artworkId={artworkId} />
            </>
          )}
          <BracketColumn artworkId={artworkId} />
          <AboutColumn artworkId={artworkId} picked={[...picked]} />
        </BayColumns>
      </div>
    </div>
  );
}
