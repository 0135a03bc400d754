'use client';
/** What pinned pixels are made of: bars in the lights' colours, and why the others give nothing. */
import { useEffect, useState } from 'react';
import type { DarkLine, Metered, MeterLine } from '@/core/checks/meter/meter';
import type { MeterMend } from '@/core/checks/meter/reasons';
import { settingsOf } from '@/core/scene/document';
import type { LightSpace } from '@/core/raster/colour';
import type { RecordName } from '@/core/scene/references';
import { BayColumns } from '../controls/BayColumns';
import { Column } from '../controls/Column';
import { Key } from '../controls/small';
import { useMeter, useScene, useStudio } from '../context';
import { hexOfBytes, hueOfLight, strengthOf } from '../store/meter-words';
import { isOnStage } from '../store/scene-store';
import type { Studio } from '../store/studio';

/** So many lights that give nothing are told at once. */
const FEW_DARK = 2;

export function MeterBay() {
  const studio = useStudio();
  const readings = useMeter((state) => state.readings);
  const space = useScene(({ scene }) => settingsOf(scene).lightSpace);
  useFollowing(studio);
  return (
    <BayColumns
      title={
        <p className="text-large">
          Meter{' '}
          <span className="text-plain text-ash">
            {readings.length === 0
              ? 'click on the stage to pin up to four places'
              : 'what each pinned place is made of, just now'}
          </span>
        </p>
      }
    >
      {readings.map((reading, i) => (
        <PinColumn key={i} index={i} reading={reading} space={space} />
      ))}
    </BayColumns>
  );
}

/** Pinned places are read again after every change of what they are made of. */
function useFollowing(studio: Studio): void {
  useEffect(() => {
    const { meter, scenes, live, desk, pictures } = studio;
    const again = () => meter.changed();
    // Much may have changed while it was away.
    again();
    const leave = [
      scenes.api.subscribe(again),
      live.subscribe(again),
      desk.subscribe(again),
      pictures.subscribe(again),
    ];
    return () => {
      for (const one of leave) one();
      meter.close();
    };
  }, [studio]);
}

function PinColumn({ index, reading, space }: { index: number; reading: Metered; space: LightSpace }) {
  const studio = useStudio();
  const { surface, gives, dark, finish } = reading;
  const hex = finish && hexOfBytes(finish.pixel);
  return (
    <Column
      title={`Pin ${index + 1}`}
      wide
      aside={
        <span className="flex items-center gap-2">
          <span className="inline-block h-[10px] w-[22px]" style={{ background: hex ?? undefined }} />
          <span className="figure">{hex ?? '…'}</span>
          <button
            type="button"
            aria-label={`Take pin ${index + 1} away`}
            className="cursor-pointer px-1 text-ash"
            onClick={() => studio.meter.unpin(index)}
          >
            ×
          </button>
        </span>
      }
    >
      <Stack gives={gives} space={space} />
      <Named words={surface.words} record={surface.record} aside="is seen here" />
      {gives.map((line, i) => (
        <GivesRow key={i} line={line} space={space} />
      ))}
      {finish === null && <p className="text-small text-ash">Its finish is being worked out.</p>}
      {finish?.later.map(({ words, from, to }, i) => (
        <div key={i} className="row flex items-center gap-2">
          <span className="flex-1 text-ash">{words}</span>
          <span className="figure">
            {strengthOf(from).toFixed(3)} → {strengthOf(to).toFixed(3)}
          </span>
        </div>
      ))}
      <DarkRows lines={dark} />
    </Column>
  );
}

/** All that gives something, beside one another, as much of each as it counts. */
function Stack({ gives, space }: { gives: readonly MeterLine[]; space: LightSpace }) {
  const shown = gives.filter(({ rgb }) => strengthOf(rgb) > 0);
  const all = shown.reduce((sum, { rgb }) => sum + strengthOf(rgb), 0);
  if (all === 0) return null;
  return (
    <div className="row flex items-center" role="img" aria-label="What it is made of">
      {shown.map(({ words, rgb, colour }, i) => (
        <span
          key={i}
          title={words}
          className="h-[12px] border-r border-soot last:border-r-0"
          style={{ width: `${(100 * strengthOf(rgb)) / all}%`, background: colour ?? hueOfLight(rgb, space) }}
        />
      ))}
    </div>
  );
}

function GivesRow({ line, space }: { line: MeterLine; space: LightSpace }) {
  const { words, record, rgb, colour, stopped } = line;
  return (
    <Named
      words={words}
      record={record}
      aside={stopped.length > 0 ? `partly behind ${stopped[0].words}` : ''}
      colour={colour ?? hueOfLight(rgb, space)}
      value={strengthOf(rgb).toFixed(3)}
    />
  );
}

function Named({
  words,
  record,
  aside,
  colour,
  value,
}: {
  words: string;
  record: RecordName | null;
  aside: string;
  colour?: string;
  value?: string;
}) {
  return (
    <div className="row flex items-center gap-2">
      {colour && <span className="inline-block h-[10px] w-[10px] shrink-0" style={{ background: colour }} />}
      <Link words={words} record={record} />
      <span className="min-w-0 flex-1 truncate text-ash">{aside}</span>
      {value && <span className="figure">{value}</span>}
    </div>
  );
}

/** What can be picked is picked by a press. */
function Link({ words, record }: { words: string; record: RecordName | null }) {
  const studio = useStudio();
  if (!record || !isOnStage(record)) return <span className="truncate">{words}</span>;
  return (
    <button type="button" className="cursor-pointer truncate text-brass" onClick={() => goTo(studio, record)}>
      {words}
    </button>
  );
}

/** The lights that give nothing: a few at once, many where they are asked for. */
function DarkRows({ lines }: { lines: readonly DarkLine[] }) {
  const [isOpen, setOpen] = useState(false);
  const isShort = lines.length <= FEW_DARK;
  return (
    <>
      {!isShort && (
        <button
          type="button"
          aria-expanded={isOpen}
          className="row block w-full cursor-pointer text-left text-brass"
          onClick={() => setOpen(!isOpen)}
        >
          {isOpen ? 'Only what gives something' : `${lines.length} lights give nothing: why?`}
        </button>
      )}
      {(isShort || isOpen) && lines.map((line, i) => <DarkRow key={i} line={line} />)}
    </>
  );
}

function DarkRow({ line }: { line: DarkLine }) {
  const studio = useStudio();
  const { words, record, reason } = line;
  return (
    <div className="py-[3px]">
      <p>
        <Link words={words} record={record} /> <span className="text-ash">{reason.words}</span>
      </p>
      <div className="flex flex-wrap gap-1">
        {reason.records.filter(isOnStage).map((named) => (
          <Key key={named.id} onClick={() => goTo(studio, named)}>
            Go to it
          </Key>
        ))}
        {reason.mends.map((mend) => (
          <Key key={mend.words} onClick={() => mendIt(studio, mend, record)}>
            {mend.words}
          </Key>
        ))}
      </div>
    </div>
  );
}

/** Picks something, and brings its own controls. */
function goTo(studio: Studio, record: RecordName): void {
  if (isOnStage(record)) studio.scenes.select([record]);
  studio.desk.setState({ tool: 'pick' });
}

/** One step of undo; what only lasts while looking is taken back by itself. */
function mendIt(studio: Studio, { words, edits, passing }: MeterMend, record: RecordName | null): void {
  if (edits.length > 0) studio.scenes.transact({ label: words, edits });
  const { muted } = studio.desk.getState();
  if (passing === 'unmute')
    studio.desk.setState({ muted: new Set([...muted].filter((id) => id !== record?.id)) });
  if (passing === 'end solo') studio.desk.setState({ solo: new Set() });
}
