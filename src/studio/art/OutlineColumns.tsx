'use client';
import { useEffect } from 'react';
import { useStore } from 'zustand';
import { OUTLINE_WAYS, type OutlineRule, type OutlineWay } from '@/core/art/outlines-from';
import type { Shade } from '@/core/scene/records/shade';
import { useGesture } from '../controls/FieldOf';
import { ShadeFields } from '../controls/ShadeFields';
import { useScene, useStudio } from '../context';
import { FileKey } from '../controls/FileKey';
import { NameField } from '../controls/NameField';
import { SettingField } from '../controls/SettingField';
import { Column } from '../controls/Column';
import { Choice, Key, Row, Switch } from '../controls/small';
import {
  changeOccluder,
  deleteOccluder,
  findOutlines,
  forgetOutlines,
  outlinesOf,
  pointsIn,
  readSvg,
  takeOutlines,
  shapeFrame,
  type FrameShape,
  occluderEdits,
} from '../store/artwork-outlines';

const WAY_WORDS: Record<OutlineWay, string> = {
  alpha: 'Opaque pixels',
  colours: 'Some colours',
  regions: 'Some regions',
};
const SHAPE_WORDS: Record<FrameShape, string> = {
  whole: 'Whole frame',
  'slope-right': 'Slope, up to the right',
  'slope-left': 'Slope, up to the left',
  'lower-half': 'Lower half',
  'upper-half': 'Upper half',
  'left-half': 'Left half',
  'right-half': 'Right half',
};

/** Outlines taken from the picture: by what, how closely, and how many points that makes. */
export function OutlineColumn({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const rule = useStore(studio.artBench, (state) => state.outlineRule);
  const found = useStore(studio.artBench, (state) =>
    state.found?.artworkId === artworkId ? state.found : null,
  );
  const number = useStore(studio.artBench, (state) => state.frame);
  const frames = useScene(({ scene }) => scene.artworks[artworkId]?.frames.length ?? 0);
  const set = (fields: Partial<OutlineRule>) => findOutlines(studio, artworkId, { ...rule, ...fields });
  useEffect(() => {
    // Colours and regions of another picture mean nothing here.
    const fresh = { ...studio.artBench.getState().outlineRule, colours: [], seeds: [] };
    findOutlines(studio, artworkId, fresh);
    return () => forgetOutlines(studio);
  }, [studio, artworkId]);
  const here = found?.frames?.[Math.min(number, found.frames.length - 1)];
  const all = found?.frames?.reduce((sum, outlines) => sum + pointsIn(outlines), 0) ?? 0;
  return (
    <Column title="From the picture" aside={here ? `${pointsIn(here)} points` : '…'} wide>
      <Choice<OutlineWay>
        label="Solid"
        value={rule.way}
        options={OUTLINE_WAYS.map((way) => [way, WAY_WORDS[way]])}
        onChange={(way) => set({ way })}
      />
      {rule.way === 'alpha' ? (
        <SettingField
          label="Alpha"
          value={rule.threshold}
          low={1}
          high={255}
          whole
          initial={128}
          onChange={(threshold) => set({ threshold })}
        />
      ) : (
        <>
          <SettingField
            label="Colour tolerance"
            value={rule.likeness}
            low={0}
            high={96}
            whole
            initial={8}
            onChange={(likeness) => set({ likeness })}
          />
          <PickedWalls rule={rule} onChange={set} />
        </>
      )}
      <SettingField
        label="Tolerance"
        value={rule.tolerancePx}
        low={0}
        high={8}
        step={0.1}
        digits={1}
        unit="px"
        initial={1}
        onChange={(tolerancePx) => set({ tolerancePx })}
      />
      <SettingField
        label="Inset"
        value={rule.insetPx}
        low={-8}
        high={16}
        step={0.5}
        digits={1}
        unit="px"
        initial={0}
        onChange={(insetPx) => set({ insetPx })}
      />
      <Switch label="Holes" on={rule.holes} words={['kept', 'filled']} onChange={(holes) => set({ holes })} />
      {found?.fault && <p className="text-signal">{found.fault}</p>}
      <Row label={frames > 1 ? `${all} in all` : ''}>
        <Key disabled={!here} onClick={() => takeOutlines(studio, artworkId, null)}>
          {frames > 1 ? 'Add to all frames' : 'Add it'}
        </Key>
        {frames > 1 && (
          <Key disabled={!here} onClick={() => takeOutlines(studio, artworkId, number)}>
            This frame
          </Key>
        )}
      </Row>
    </Column>
  );
}

/** Colours or regions that were picked on the picture; a press takes one back. */
function PickedWalls({
  rule,
  onChange,
}: {
  rule: OutlineRule;
  onChange(fields: Partial<OutlineRule>): void;
}) {
  const { way, colours, seeds } = rule;
  const count = way === 'colours' ? colours.length : seeds.length;
  return (
    <Row label={way === 'colours' ? 'Colours' : 'Regions'}>
      {count === 0 && <span className="text-small text-ash">click them on the picture</span>}
      {way === 'colours'
        ? colours.map((rgb, i) => (
            <button
              key={rgb.join()}
              type="button"
              aria-label={`Colour ${rgb.join(' ')} is not solid`}
              className="size-[14px] cursor-pointer border border-rail"
              style={{ background: `rgb(${rgb.join(' ')})` }}
              onClick={() => onChange({ colours: colours.toSpliced(i, 1) })}
            />
          ))
        : count > 0 && (
            <>
              <span className="figure">{count}</span>
              <Key onClick={() => onChange({ seeds: [] })}>None</Key>
            </>
          )}
    </Row>
  );
}

/** The occluders that this artwork brings to each of its sprites. */
export function OccludersColumn({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const occluderId = useStore(studio.artBench, (state) => state.occluderId);
  const number = useStore(studio.artBench, (state) => state.frame);
  const artwork = useScene(({ scene }) => scene.artworks[artworkId]);
  const drawnKind = useStore(studio.artBench, (state) => state.drawn?.kind ?? null);
  if (!artwork) return null;
  return (
    <Column title="Occluders" aside={String(artwork.occluders.length)}>
      <ul aria-label="Occluders of the artwork" className="mb-1 max-h-[88px] min-h-[22px] overflow-y-auto">
        {artwork.occluders.map((occluder) => (
          <li key={occluder.id} className="flex h-[22px] items-center gap-1">
            <button
              type="button"
              aria-pressed={occluder.id === occluderId}
              className="min-w-0 flex-1 cursor-pointer truncate text-left text-ash aria-pressed:text-chalk"
              onClick={() => studio.artBench.setState({ occluderId: occluder.id })}
            >
              {occluder.name}
              <span className="figure text-dust"> {pointsIn(outlinesOf(occluder, number).outlines)}</span>
            </button>
            <button
              type="button"
              aria-label={`Delete ${occluder.name}`}
              className="cursor-pointer px-1 text-ash"
              onClick={() => deleteOccluder(studio, artworkId, occluder.id)}
            >
              ×
            </button>
          </li>
        ))}
        {artwork.occluders.length === 0 && (
          <li className="text-small text-ash">None yet: light goes through. Add one from the picture.</li>
        )}
      </ul>
      <Row label="Draw">
        {(['closed', 'line'] as const).map((kind) => (
          <Key
            key={kind}
            pressed={drawnKind === kind}
            title="Click its points on the figure, with Shift smooth ones; Enter or a click on the first one ends it"
            onClick={() =>
              studio.artBench.setState({
                drawn: drawnKind === kind ? null : { kind, points: [], smooth: [] },
                view: 'figure',
              })
            }
          >
            {kind === 'closed' ? 'An outline' : 'A line'}
          </Key>
        ))}
      </Row>
      <Choice<FrameShape | ''>
        label="Begin with"
        value=""
        options={[
          ['', 'a shape …'],
          ...Object.entries(SHAPE_WORDS).map(([shape, words]) => [shape as FrameShape, words] as const),
        ]}
        onChange={(shape) => shape && shapeFrame(studio, artworkId, number, shape)}
      />
      <Row label="Or">
        <FileKey
          accept=".svg,image/svg+xml"
          name="Read outlines from an SVG file"
          title="Shapes of an SVG file, px of the figure"
          onFiles={([file]) => void readSvg(studio, artworkId, file, number)}
        >
          SVG
        </FileKey>
      </Row>
    </Column>
  );
}

/** The chosen occluder: its name, and whether what casts the shadow lies in it. */
export function PointsColumn({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const occluderId = useStore(studio.artBench, (state) => state.occluderId);
  const number = useStore(studio.artBench, (state) => state.frame);
  const artwork = useScene(({ scene }) => scene.artworks[artworkId]);
  const occluder = artwork?.occluders.find(({ id }) => id === occluderId);
  const gesture = useGesture(studio, 'Change an occluder');
  if (!artwork || !occluder) return null;
  const { isOwn, outlines } = outlinesOf(occluder, number);
  const change = (label: string, fields: Parameters<typeof changeOccluder>[4]) =>
    changeOccluder(studio, label, artworkId, occluder.id, fields);
  const edits = (fields: Partial<Shade>) => occluderEdits(studio.scenes.kept, artworkId, occluder.id, fields);
  return (
    <>
      <Column title="Points" aside={`${pointsIn(outlines)} in ${outlines.length}`}>
        <NameField
          name={occluder.name}
          label="Name of the occluder"
          className="w-full"
          onChange={(name) => change('Rename', { name })}
        />
        {isOwn && artwork.frames.length > 0 && (
          <Row label="Frame">
            <Key
              onClick={() =>
                change('As in general', { frames: occluder.frames.filter(({ frame }) => frame !== number) })
              }
            >
              {occluder.outlines.length > 0 ? 'As in other frames' : 'None in this frame'}
            </Key>
          </Row>
        )}
        <p className="text-small text-ash">
          In the figure: drag a point, double-click to add or take one away, Shift-click makes it smooth.
        </p>
      </Column>
      <Column title="Shadow">
        <ShadeFields
          shade={occluder}
          closed={occluder.kind === 'closed'}
          onPreview={(fields) => gesture.preview(edits(fields))}
          onCommit={(fields) => gesture.commit(edits(fields))}
          onCancel={gesture.cancel}
        />
      </Column>
    </>
  );
}
