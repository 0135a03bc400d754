'use client';
/** Can it be seen: the contrast of a figure against what surrounds it, over the day and the flicker, for everybody's eyes. */
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { EYES, worstSeen, type Eye, type SeenReport } from '@/core/checks/seen/seen-report';
import { clockText } from '@/core/time/cues';
import { DAY_HOURS } from '@/core/time/periodic';
import { Column } from '../controls/Column';
import { Choice } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { useChecks, useDesk, useScene, useStudio } from '../context';
import { goToMoment } from '../store/check-words';
import { CheckRun } from './CheckRun';
import { ChartHead } from './ChartHead';
import { acrossDay, CHART_CLASS, HEIGHT, hourAt, HourGrid, PAD, placeOn, WIDTH } from './chart-scale';

const EYE_WORDS: Record<Eye, string> = {
  typical: 'typical eyes',
  protanope: 'a protanope',
  deuteranope: 'a deuteranope',
  tritanope: 'a tritanope',
};

export function SeenColumn() {
  const studio = useStudio();
  const state = useChecks((checks) => checks.seen);
  const picked = useScene(
    (scene) => scene.selection.find(({ collection }) => collection === 'sprites')?.id ?? null,
  );
  const name = useScene(({ scene }) => (picked ? (scene.sprites[picked]?.name ?? null) : null));
  const limit = useDesk((desk) => desk.seenLimit);
  const { report } = state;
  const shown = useScene(({ scene }) => (report ? (scene.sprites[report.spriteId]?.name ?? 'gone') : null));
  const setLimit = (seenLimit: number) => studio.desk.setState({ seenLimit });
  return (
    <Column title="Can it be seen" wide="chart" aside={shown}>
      <CheckRun
        words={name ? `Look at “${name}” over the day` : 'Look at what is picked'}
        state={state}
        disabled={picked === null}
        onRun={() => picked && void studio.checks.lookAtFigure(studio.scenes.kept, picked)}
        onStop={() => studio.checks.stop('seen')}
      />
      {report ? (
        <>
          <SeenChart report={report} />
          <ValueField
            label="Wanted contrast"
            value={limit}
            low={0}
            high={50}
            step={0.5}
            digits={1}
            initial={5}
            onPreview={setLimit}
            onCommit={setLimit}
            onCancel={() => undefined}
          />
          <EyeList report={report} />
        </>
      ) : (
        <p className="text-ash">
          Pick a sprite on the stage. Its colours are compared with those right around it, at every hour and
          as the flames burn: 0 is lost, 100 is black on white.
        </p>
      )}
    </Column>
  );
}

function SeenChart({ report }: { report: SeenReport }) {
  const studio = useStudio();
  const eye = useDesk((desk) => desk.seenEye);
  const limit = useDesk((desk) => desk.seenLimit);
  const { lowest, mean, highest, lowestAt } = report.curves[eye];
  // The first hour is the last one too.
  const at = (i: number) => i % report.hours.length;
  const places = Array.from({ length: report.hours.length + 1 }, (_, i) => i);
  const x = (i: number) => acrossDay((i / report.hours.length) * DAY_HOURS);
  const top = Math.max(10, limit * 1.5, ...[...highest].filter((v) => !Number.isNaN(v)));
  const y = scaleLinear([0, top], [HEIGHT - PAD, PAD]);
  const isThere = (i: number) => !Number.isNaN(mean[at(i)]);
  return (
    <>
      <Choice<Eye>
        label="Seen by"
        value={eye}
        options={EYES.map((one) => [one, EYE_WORDS[one]] as const)}
        onChange={(seenEye) => studio.desk.setState({ seenEye })}
      />
      <svg
        role="group"
        aria-label="Contrast over the day"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className={CHART_CLASS}
        onClick={(event) => {
          const hour = hourAt(placeOn(event.currentTarget, event)[0]);
          const i = at(Math.round((hour / DAY_HOURS) * report.hours.length));
          goToMoment(studio, report.hours[i], Number.isNaN(lowestAt[i]) ? 0 : lowestAt[i]);
        }}
      >
        <HourGrid />
        {places
          .slice(0, -1)
          .map((i) =>
            lowest[i] < limit ? (
              <rect
                key={i}
                x={x(i - 0.5)}
                width={x(1) - x(0)}
                y={PAD}
                height={HEIGHT - 2 * PAD}
                className="pointer-events-none fill-signal/15"
              />
            ) : null,
          )}
        <path
          className="pointer-events-none fill-brass/25"
          d={area<number>(
            x,
            (i) => y(lowest[at(i)]),
            (i) => y(highest[at(i)]),
          ).defined(isThere)(places)!}
        />
        <path
          className="pointer-events-none fill-none stroke-brass"
          strokeWidth={1.4}
          d={line<number>(x, (i) => y(mean[at(i)])).defined(isThere)(places)!}
        />
        <line
          x1={PAD}
          x2={WIDTH - PAD}
          y1={y(limit)}
          y2={y(limit)}
          className="pointer-events-none stroke-signal"
          strokeDasharray="3 3"
        />
        {y.ticks(3).map((tick) => (
          <text key={tick} x={PAD + 1} y={Math.max(PAD + 8, y(tick) - 2)} className="fill-dust text-[9px]">
            {tick}
          </text>
        ))}
        <ChartHead />
      </svg>
    </>
  );
}

/** The worst moment for each kind of eyes; a press goes there and shows the stage as they see it. */
function EyeList({ report }: { report: SeenReport }) {
  const studio = useStudio();
  const limit = useDesk((desk) => desk.seenLimit);
  const eye = useDesk((desk) => desk.seenEye);
  return (
    <ul aria-label="Worst moments" className="mt-1 flex flex-col gap-[2px]">
      {EYES.map((one) => {
        const worst = worstSeen(report, one);
        return (
          <li key={one}>
            {worst ? (
              <button
                type="button"
                className={`key w-full text-left ${worst.contrast < limit ? 'text-signal' : ''}`}
                data-picked={one === eye}
                title="Stop time there, seen by these eyes"
                onClick={() => {
                  goToMoment(studio, worst.hour, worst.second);
                  studio.desk.setState({ seenEye: one, eyes: one === 'typical' ? null : one });
                }}
              >
                Worst for {EYE_WORDS[one]}: {worst.contrast.toFixed(1)} at {clockText(worst.hour)}
              </button>
            ) : (
              <p className="text-ash">It is never in the picture.</p>
            )}
          </li>
        );
      })}
    </ul>
  );
}
