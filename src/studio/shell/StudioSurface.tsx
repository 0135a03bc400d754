'use client';
import type { ComponentType } from 'react';
import { useStore } from 'zustand';
import { BENCH_PARTS } from '../benches';
import { Border } from '../controls/Border';
import { useDesk, useStudio } from '../context';
import { ELEVATION_WIDTH_PX, USUAL } from '../store/preferences';
import { HistogramBand } from '../finish/HistogramBand';
import { benchFacts, type Bench } from '../store/benches';
import { Dayline } from '../dayline/Dayline';
import { Elevation } from '../elevation/Elevation';
import { Stage } from '../stage/Stage';
import { Fence } from '../surface/Fence';
import { Bringing } from './Bringing';
import { KeysDialog } from './KeysDialog';
import { NarrowStage, useNarrow } from './NarrowStage';
import { Offers } from './Offers';
import { PaletteDialog } from './PaletteDialog';
import { PassesDialog } from './PassesDialog';
import { QuestionDialog } from './QuestionDialog';
import { ToldByOthers } from './ToldByOthers';
import { TopBar } from './TopBar';
import { useAddress } from './use-address';
import { useKeys } from './use-keys';
import { useScenePicture } from './use-scene-picture';

/** The line of measure: hours, and on the Finish bench how often each value occurs. */
function MiddleBand({ bench }: { bench: Bench }) {
  const dayline = (
    <Fence name="Dayline">
      <Dayline />
    </Fence>
  );
  if (!benchFacts(bench).hasHistogram) return dayline;
  return (
    <div className="grid min-h-0 grid-cols-[auto_minmax(0,1fr)]">
      <Fence name="Histogram">
        <HistogramBand />
      </Fence>
      {dayline}
    </div>
  );
}

/** What floats over the bands. */
const FLOATING: readonly (readonly [name: string, Part: ComponentType])[] = [
  ['What others changed', ToldByOthers],
  ['Pictures on their way', Bringing],
  ['Offers', Offers],
  ['List of keys', KeysDialog],
  ['Actions', PaletteDialog],
  ['Passes of a frame', PassesDialog],
  ['Question', QuestionDialog],
];

/** The desk with what it is the desk of; the stage alone where there is no room for it. */
export function StudioSurface() {
  useScenePicture();
  return useNarrow() ? <NarrowStage /> : <Bands />;
}

/** The three bands: the thing itself, its line of measure, the desk. */
function Bands() {
  const bench = useDesk((state) => state.bench);
  const { word, hasStage } = benchFacts(bench);
  const Part = BENCH_PARTS[bench];
  const { preferences } = useStudio();
  const elevationWidthPx = useStore(preferences, (state) => state.elevationWidthPx);
  useKeys();
  useAddress();
  return (
    <div className="grid h-dvh grid-cols-[minmax(0,1fr)] grid-rows-[40px_minmax(0,1fr)] overflow-hidden">
      <Fence name="Top bar">
        <TopBar />
      </Fence>
      {hasStage ? (
        <main className="grid min-h-0 grid-cols-[minmax(0,1fr)] grid-rows-[minmax(0,1fr)_44px_204px]">
          <div
            className="grid min-h-0"
            style={{ gridTemplateColumns: `${elevationWidthPx}px 5px minmax(0,1fr)` }}
          >
            <Fence name="Elevation">
              <Elevation />
            </Fence>
            <Border
              label="Border between elevation and stage"
              widthPx={elevationWidthPx}
              bounds={ELEVATION_WIDTH_PX}
              initial={USUAL.elevationWidthPx}
              onChange={(width) => preferences.setState({ elevationWidthPx: width })}
            />
            <Fence name="Stage">
              <Stage />
            </Fence>
          </div>
          <MiddleBand bench={bench} />
          <Fence key={bench} name={`${word} desk`}>
            <Part />
          </Fence>
        </main>
      ) : (
        <Fence key={bench} name={`${word} bench`}>
          <Part />
        </Fence>
      )}
      {FLOATING.map(([name, Floating]) => (
        <Fence key={name} name={name}>
          <Floating />
        </Fence>
      ))}
    </div>
  );
}
