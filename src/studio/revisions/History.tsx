'use client';
import { useDesk, useStudio } from '../context';
import { PanelHead } from '../controls/PanelHead';
import { Revisions } from './Revisions';
import { Steps } from './Steps';

const TAB_WORDS = { steps: 'Steps', revisions: 'Revisions' };

/** What became of the scene, beside the stage: one's own steps, and all that was ever saved. */
export function History() {
  const studio = useStudio();
  const tab = useDesk(({ panel }) => (panel === 'steps' ? 'steps' : 'revisions'));
  return (
    <aside
      aria-label="History"
      data-layer
      className="floating absolute inset-y-0 right-0 z-10 flex w-[348px] flex-col border-l border-rail bg-slate"
    >
      <PanelHead
        title="History"
        tabs={TAB_WORDS}
        current={tab}
        onTab={(panel) => studio.desk.setState({ panel })}
      />
      {tab === 'steps' ? <Steps /> : <Revisions />}
    </aside>
  );
}
