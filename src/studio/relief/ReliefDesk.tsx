'use client';
import { useState } from 'react';
import { useStore } from 'zustand';
import { useScene, useStudio } from '../context';
import { BayColumns } from '../controls/BayColumns';
import { ToolKeys } from '../controls/ToolKeys';
import { RELIEF_TOOL_WORDS, RELIEF_TOOLS, type ReliefTool } from '../store/relief-bench';
import type { PaletteAnswer } from '@/workers/art-worker';
import { BodyColumn } from './columns/BodyColumn';
import { BrushColumn } from './columns/BrushColumn';
import { GrainColumn } from './columns/GrainColumn';
import { LayerColumn } from './columns/LayerColumn';
import { OutColumn } from './columns/OutColumn';
import type { RecipeControls } from './columns/recipe-controls';
import { RecipeColumn } from './columns/RecipeColumn';
import { SheetColumn } from './columns/SheetColumn';
import { SourceColumn } from './columns/SourceColumn';
import { SurfaceColumn } from './columns/SurfaceColumn';
import { SwatchColumn } from './columns/SwatchColumn';

const PAGES = ['form', 'strokes', 'maps'] as const;
type Page = (typeof PAGES)[number];
const PAGE_WORDS: Record<Page, string> = { form: 'Form', strokes: 'Strokes', maps: 'Maps' };

/** Tools that belong to a page bring it up. */
function pageOf(tool: ReliefTool): Page | null {
  if (tool === 'swatch' || tool === 'join' || tool === 'split') return 'form';
  return tool === 'lamp' || tool === 'section' ? null : 'strokes';
}

export function ReliefDesk({
  artworkId,
  controls,
  palette,
}: {
  artworkId: string;
  controls: RecipeControls;
  palette: PaletteAnswer | null;
}) {
  const studio = useStudio();
  const tool = useStore(studio.reliefBench, (state) => state.tool);
  const showParts = useStore(studio.reliefBench, (state) => state.showParts);
  const swatch = useStore(studio.reliefBench, (state) => state.swatch);
  const picked = useStore(studio.reliefBench, (state) => state.picked);
  const imageSha = useScene((state) => state.scene.artworks[artworkId]?.imageSha ?? '');
  const isBorrowed = useScene((state) => (state.scene.reliefs[artworkId]?.borrowedId ?? null) !== null);
  const isParted = useScene((state) => (state.scene.reliefs[artworkId]?.partStrokes.length ?? 0) > 0);
  const [page, setPage] = useState<Page>('form');
  const [lastTool, setLastTool] = useState(tool);
  if (tool !== lastTool) {
    setLastTool(tool);
    setPage(pageOf(tool) ?? page);
  }
  const ids = [...picked];
  return (
    <div className="flex min-h-0 border-t border-line bg-slate">
      <ToolKeys
        bench="relief"
        tools={RELIEF_TOOLS}
        words={RELIEF_TOOL_WORDS}
        tool={tool}
        className="w-[168px] grid-cols-2"
      />
      <div
        role="tablist"
        aria-label="Pages of the desk"
        className="flex w-[64px] shrink-0 flex-col border-r border-line"
      >
        {PAGES.map((name) => (
          <button
            key={name}
            type="button"
            role="tab"
            aria-selected={page === name}
            className={`flex-1 cursor-pointer border-b border-line px-2 text-left ${page === name ? 'border-l-2 border-l-verdigris bg-iron text-chalk' : 'text-ash'}`}
            onClick={() => setPage(name)}
          >
            {PAGE_WORDS[name]}
          </button>
        ))}
      </div>
      <div role="tabpanel" aria-label={PAGE_WORDS[page]} className="min-w-0 flex-1 px-3 pt-2">
        <BayColumns key={page}>
          {page === 'form' && (
            <>
              <BodyColumn
                controls={controls}
                isParted={isParted}
                showParts={showParts}
                onShowParts={(on) => studio.reliefBench.setState({ showParts: on })}
              />
              <GrainColumn controls={controls} isBorrowed={isBorrowed} />
              <SwatchColumn
                controls={controls}
                palette={palette}
                chosen={swatch}
                onChoose={(hex) => studio.reliefBench.setState({ swatch: hex })}
              />
              <SurfaceColumn controls={controls} />
              <RecipeColumn controls={controls} imageSha={imageSha} picked={ids} />
            </>
          )}
          {page === 'strokes' && (
            <>
              <BrushColumn />
              <LayerColumn artworkId={artworkId} />
            </>
          )}
          {page === 'maps' && (
            <>
              <SourceColumn artworkId={artworkId} />
              <SheetColumn artworkId={artworkId} controls={controls} />
              <OutColumn artworkId={artworkId} picked={ids} />
            </>
          )}
        </BayColumns>
      </div>
    </div>
  );
}
