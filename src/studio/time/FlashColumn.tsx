'use client';
/** The flash check: the luminance of the picture over a minute, how often it flashes, and what is dangerous. */
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { flashWords } from '@/core/checks/flash/flash-words';
import { FLASH_RATE_HZ } from '@/core/checks/flash/flashes';
import type { SceneFlash, SceneFlashReport } from '@/core/checks/flash/scene-flashes';
import { clockText } from '@/core/time/cues';
import { Column } from '../controls/Column';
import { useChecks, useStudio } from '../context';
import { goToMoment } from '../store/check-words';
import { CheckRun } from './CheckRun';
import { CHART_CLASS, HEIGHT, PAD, WIDTH } from './chart-scale';

/** Points of the lines: more would not be told apart. */
const POINTS = WIDTH;
const MIDDLE = 50;
const MOST_SHOWN = 6;

export function FlashColumn() {
  const studio = useStudio();
  const state = useChecks((checks) => checks.flashes);
  const { report } = state;
  return (
    <Column title="Flashes" wide="chart" aside={report && `at ${clockText(report.hour)}`}>
      <CheckRun
        words="Look for flashes at this hour"
        state={state}
        onRun={() => void studio.checks.lookForFlashes(studio.scenes.kept, studio.live.getState().clockHours)}
        onStop={() => studio.checks.stop('flashes')}
      />
      {report ? (
        <>
          <FlashChart report={report} />
          <FlashList report={report} />
        </>
      ) : (
        <p className="text-ash">
          A minute of the scene is looked at frame by frame. More than three flashes a second over a quarter
          of what a player looks at are dangerous to some (WCAG 2.2).
        </p>
      )}
    </Column>
  );
}

/** The mean luminance above, and below it the flashes in the second before each frame with their limit. */
function FlashChart({ report }: { report: SceneFlashReport }) {
  const studio = useStudio();
  const { luminance, counts, frames, span, faults, hour } = report;
  const across = scaleLinear([0, Math.max(1, frames - 1)], [PAD, WIDTH - PAD]);
  const brightest = Math.max(0.01, ...luminance);
  const up = scaleLinear([0, brightest], [MIDDLE - 3, PAD]);
  const most = Math.max(4, ...counts.general, ...counts.red);
  const low = scaleLinear([0, most], [HEIGHT - PAD, MIDDLE + 3]);
  // The strongest frame within each point stands for it.
  const points = Array.from({ length: Math.min(POINTS, frames) }, (_, i) => i);
  const frameOf = (i: number) => Math.round((i / Math.max(1, points.length - 1)) * (frames - 1));
  const within = (values: Float64Array, i: number) =>
    Math.max(
      ...values.subarray(frameOf(i), Math.max(frameOf(i) + 1, i + 1 < points.length ? frameOf(i + 1) : 0)),
    );
  return (
    <svg
      role="group"
      aria-label="Luminance and flashes over time"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className={CHART_CLASS}
      onClick={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        const frame = across.invert(((event.clientX - box.left) / box.width) * WIDTH);
        goToMoment(studio, hour, span.from + Math.max(0, frame) / FLASH_RATE_HZ);
      }}
    >
      <line
        x1={PAD}
        x2={WIDTH - PAD}
        y1={low(3)}
        y2={low(3)}
        className="stroke-signal"
        strokeDasharray="3 3"
      />
      <text x={WIDTH - PAD} y={low(3) - 3} textAnchor="end" className="fill-ash text-[9px]">
        three a second
      </text>
      <text x={PAD + 1} y={PAD + 8} className="fill-ash text-[9px]">
        mean luminance, up to {brightest.toFixed(2)}
      </text>
      <path
        className="fill-none stroke-brass"
        strokeWidth={1.2}
        d={line<number>(
          (i) => across(frameOf(i)),
          (i) => up(within(luminance, i)),
        )(points)!}
      />
      {(['general', 'red'] as const).map((kind) => (
        <path
          key={kind}
          className={kind === 'red' ? 'fill-none stroke-signal' : 'fill-dust/60'}
          d={
            kind === 'red'
              ? line<number>(
                  (i) => across(frameOf(i)),
                  (i) => low(within(counts.red, i)),
                )(points)!
              : area<number>(
                  (i) => across(frameOf(i)),
                  low(0),
                  (i) => low(within(counts.general, i)),
                )(points)!
          }
        />
      ))}
      {faults.map((fault) => (
        <line
          key={`${fault.kind} ${fault.second}`}
          x1={across((fault.second - span.from) * FLASH_RATE_HZ)}
          x2={across((fault.second - span.from) * FLASH_RATE_HZ)}
          y1={PAD}
          y2={HEIGHT - PAD}
          className="stroke-signal"
        />
      ))}
    </svg>
  );
}

function FlashList({ report: { faults, span, hour, counts } }: { report: SceneFlashReport }) {
  const studio = useStudio();
  if (faults.length === 0)
    return (
      <p>
        {span.seconds === 0
          ? 'Nothing changes by itself, so that nothing flashes.'
          : `Nothing flashes dangerously in ${Math.round(span.seconds)} s: at most ${Math.max(...counts.general)} flashes in a second.`}
      </p>
    );
  return (
    <ul aria-label="Dangerous flashes" className="mt-1 flex flex-col gap-[2px]">
      {faults.slice(0, MOST_SHOWN).map((fault) => (
        <li key={`${fault.kind} ${fault.second}`} className="flex flex-wrap items-center gap-1">
          <button
            type="button"
            className="key text-left text-signal"
            title="Stop time at the worst of it"
            onClick={() => goToMoment(studio, hour, fault.second)}
          >
            {flashWords(fault)}
          </button>
          <CauseKey fault={fault} />
        </li>
      ))}
      {faults.length > MOST_SHOWN && <li className="text-ash">And {faults.length - MOST_SHOWN} more.</li>}
    </ul>
  );
}

/** Leads to the wick that flashes. */
function CauseKey({ fault: { cause } }: { fault: SceneFlash }) {
  const studio = useStudio();
  if (cause?.record.collection !== 'wicks') return null;
  const { id } = cause.record;
  return (
    <button
      type="button"
      className="key"
      onClick={() => studio.desk.setState({ timePart: 'wicks', wickId: id })}
    >
      Go to the wick
    </button>
  );
}
