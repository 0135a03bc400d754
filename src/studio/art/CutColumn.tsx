'use client';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import type { Rect } from '@/core/raster/rect';
import { useScene, useStudio } from '../context';
import { countWords } from './art-list';
import { Column } from '../controls/Column';
import { Choice, Key, Switch } from '../controls/small';
import { SettingField } from '../controls/SettingField';
import { CUT_WAYS, type CutRule, type CutWay } from '../store/art-bench';
import { cutArtwork, uncutArtwork } from '../store/art-edits';
import { LatestWork } from '../store/latest-work';

const WAY_WORDS: Record<CutWay, string> = { grid: 'By a grid', islands: 'By islands' };

/** How the picture is cut: what it would come to is shown on it at once, and taken by a key. */
export function CutColumn({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const rule = useStore(studio.artBench, (state) => state.rule);
  const tried = useStore(studio.artBench, (state) => state.tried);
  const artwork = useScene((state) => state.scene.artworks[artworkId]);
  const own = tried?.artworkId === artworkId ? tried : null;
  const [trying] = useState(() => new LatestWork<Rect[]>());
  useEffect(
    () => () => {
      trying.stop();
      studio.artBench.setState({ tried: null });
    },
    [studio, trying, artworkId],
  );
  if (!artwork) return null;
  const set = (fields: Partial<CutRule>) => {
    const next = { ...rule, ...fields };
    studio.artBench.setState({ rule: next, view: 'picture' });
    trying.begin(
      () => studio.workers.run((remote) => remote.cutRects(artwork.imageSha, next)),
      ({ found, fault }) => studio.artBench.setState({ tried: { artworkId, rects: found, fault } }),
    );
  };
  const grid = (label: string, field: keyof CutRule['cells'], low: number, high: number, unit = '') => (
    <SettingField
      label={label}
      value={rule.cells[field]}
      low={low}
      high={high}
      whole
      unit={unit}
      onChange={(value) => set({ cells: { ...rule.cells, [field]: value } })}
    />
  );
  const take = () => {
    if (!own?.rects) return;
    void cutArtwork(studio, artworkId, own.rects, rule.way === 'grid' ? rule.cells : null);
    studio.artBench.setState({ tried: null, frame: 0 });
  };
  return (
    <Column title="Cut" aside={own?.rects ? countWords(own.rects.length) : undefined}>
      <Choice<CutWay>
        label="Way"
        value={rule.way}
        options={CUT_WAYS.map((way) => [way, WAY_WORDS[way]])}
        onChange={(way) => set({ way })}
      />
      {rule.way === 'grid' ? (
        <>
          {grid('Columns', 'columns', 1, 64)}
          {grid('Rows', 'rows', 1, 64)}
          {grid('Margin', 'marginPx', 0, 64, 'px')}
          {grid('Gap', 'gapPx', 0, 64, 'px')}
          <Switch
            label="Empty"
            on={rule.keepEmpty}
            words={['kept', 'left out']}
            onChange={(keepEmpty) => set({ keepEmpty })}
          />
        </>
      ) : (
        <>
          <SettingField
            label="Merge gap"
            value={rule.joinPx}
            low={0}
            high={64}
            whole
            unit="px"
            initial={1}
            onChange={(v) => set({ joinPx: v })}
          />
          <SettingField
            label="Smallest"
            value={rule.leastPixels}
            low={1}
            high={1000}
            whole
            unit="px"
            logarithmic
            initial={4}
            onChange={(v) => set({ leastPixels: v })}
          />
        </>
      )}
      {own?.fault && <p className="text-small text-signal">{own.fault}</p>}
      <div className="flex justify-end gap-1">
        <Key disabled={!own?.rects} onClick={take}>
          Cut it
        </Key>
        {!own?.rects && artwork.frames.length === 0 && <Key onClick={() => set({})}>Preview</Key>}
        {artwork.frames.length > 0 && (
          <Key onClick={() => void uncutArtwork(studio, artworkId)}>Remove the cut</Key>
        )}
      </div>
    </Column>
  );
}
