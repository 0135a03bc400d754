'use client';
import { useDesk, useStudio } from '../context';
import { HISTORY_TABS, type HistoryTab } from '../store/desk-store';
import { Revisions } from './Revisions';
import { Steps } from './Steps';

const TAB_WORDS: Record<HistoryTab, string> = { steps: 'Steps', revisions: 'Revisions' };

/** What became of the scene, beside the stage: one's own steps, and all that was ever saved. */
export function History() {
  const studio = useStudio();
  const tab = useDesk((state) => state.historyTab);
  return (
    <aside
      aria-label="History"
      data-layer
      className="floating absolute inset-y-0 right-0 z-10 flex w-[320px] flex-col border-l border-rail bg-slate"
    >
      <div className="flex items-center gap-2 p-2">
        <h2 className="text-plain">History</h2>
        {HISTORY_TABS.map((name) => (
          <button
            key={name}
            type="button"
            className="key"
            aria-pressed={tab === name}
            onClick={() => studio.desk.setState({ historyTab: name })}
          >
            {TAB_WORDS[name]}
          </button>
        ))}
        <span className="flex-1" />
        <button type="button" className="key" onClick={() => studio.desk.setState({ historyTab: null })}>
          Close
        </button>
      </div>
      {tab === 'steps' ? <Steps /> : <Revisions />}
    </aside>
  );
}
