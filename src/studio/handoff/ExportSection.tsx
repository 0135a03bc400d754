'use client';
import { useStore } from 'zustand';
import { exportNamed, type ExportName } from '@/core/handoff/exports/all-exports';
import { useStudio } from '../context';
import { OptionRows, type OptionValues } from '../controls/OptionRows';

/** One way for the scene to leave: its options, its key, what went wrong, and what is in it. */
export function ExportSection({
  name,
  busy,
  fault,
  onRun,
}: {
  name: ExportName;
  busy: boolean;
  fault: string | null;
  onRun(options: OptionValues): void;
}) {
  const { word, about, options, contents } = exportNamed(name);
  const studio = useStudio();
  const values: OptionValues = useStore(studio.exportOptions, (all) => all[name]);
  return (
    <section aria-label={word} className="min-w-0 flex-1">
      <h3 className="heading">{word}</h3>
      <div className="flex gap-4">
        <div className="w-[208px] shrink-0">
          <p className="mb-1 text-ash">{about}</p>
          <button
            type="button"
            className="key mt-1"
            disabled={busy}
            data-picked="true"
            onClick={() => onRun(values)}
          >
            Download the {word.toLowerCase()}
          </button>
          {fault && (
            <p role="alert" className="mt-2 text-signal">
              Not made: {fault}
            </p>
          )}
        </div>
        {Object.keys(options.fields).length > 0 && (
          <div className="w-[280px] shrink-0">
            <OptionRows
              options={options}
              values={values}
              onChange={(next) => studio.exportOptions.setState({ [name]: next })}
            />
          </div>
        )}
        <dl className="grid min-w-[320px] flex-1 grid-cols-[132px_minmax(0,1fr)] content-start">
          {contents.map(([file, what]) => (
            <div key={file} className="contents">
              <dt className="figure pr-2 leading-[18px] text-brass">{file}</dt>
              <dd className="pb-[2px] leading-[18px]">{what}</dd>
            </div>
          ))}
        </dl>
      </div>
    </section>
  );
}
