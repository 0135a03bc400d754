'use client';
/** What both sides of the wipe show, chosen above the edge. */
import type { ComponentType } from 'react';
import { useStore } from 'zustand';
import { COLOUR_VISION_NAMES } from '@/core/checks/colour-vision';
import { inOrder } from '@/core/scene/document';
import { Select } from '../controls/Select';
import { ValueField } from '../controls/ValueField';
import { useDesk, useScene, useStudio } from '../context';
import { setWipeSide, setWipeView, WIPE_VIEW_NAMES, wipeKind, type ViewOf } from '../commands/wipe-views';
import { looksToTake } from '../store/looks';
import type { Wipe, WipeView, WipeViewName } from '../store/wipe';

type Side = keyof Wipe;
const SIDE_WORDS: Record<Side, string> = { left: 'Left of the edge', right: 'Right of the edge' };

/** So many revisions are offered; the others are compared from their list. */
const MOST_REVISIONS = 40;

export function WipeBar() {
  const studio = useStudio();
  const wipe = useDesk((state) => state.wipe);
  if (!wipe) return null;
  return (
    <div
      role="group"
      aria-label="Wipe, both sides"
      data-layer
      className="floating absolute top-8 left-1/2 z-10 flex -translate-x-1/2 items-center gap-2 border border-rail bg-slate px-2"
    >
      <SideChoice side="left" shown={wipe.left} />
      <button
        type="button"
        className="key"
        title="Exchange the sides"
        onClick={() => studio.desk.setState({ wipe: { left: wipe.right, right: wipe.left } })}
      >
        Swap
      </button>
      <SideChoice side="right" shown={wipe.right} />
      <button type="button" className="key" onClick={() => studio.desk.setState({ wipe: null })}>
        End
      </button>
    </div>
  );
}

function SideChoice({ side, shown }: { side: Side; shown: WipeView }) {
  const studio = useStudio();
  const Detail = DETAILS[shown.view] as ComponentType<DetailProps<WipeView>> | undefined;
  return (
    <>
      <Select<WipeViewName>
        label={SIDE_WORDS[side]}
        value={shown.view}
        options={WIPE_VIEW_NAMES.map((name) => [name, wipeKind(name).word] as const)}
        onChange={(name) => setWipeSide(studio, side, name)}
      />
      {Detail && (
        <Detail words={SIDE_WORDS[side]} shown={shown} onChange={(view) => setWipeView(studio, side, view)} />
      )}
    </>
  );
}

interface DetailProps<V> {
  /** Which side it is. */
  words: string;
  shown: V;
  onChange(view: V): void;
}

const NARROW = 'max-w-[140px]';

/** What else there is to choose of a view. */
const DETAILS: { [N in WipeViewName]?: ComponentType<DetailProps<ViewOf<N>>> } = {
  light: function WhichLight({ words, shown, onChange }) {
    const options = useScene(({ scene }) =>
      [...inOrder(scene.lights), ...inOrder(scene.lamps)].map(([id, { name }]) => [id, name] as const),
    );
    return (
      <Select
        label={`${words}: which light`}
        value={shown.id}
        options={options}
        className={NARROW}
        onChange={(id) => onChange({ view: 'light', id })}
      />
    );
  },
  hour: function WhichHour({ shown, onChange }) {
    const set = (clockHours: number) => onChange({ view: 'hour', clockHours });
    return (
      <div className="w-[170px]">
        <ValueField
          {...{ label: 'Hour', value: shown.clockHours, low: 0, high: 24, step: 0.25, unit: 'h' }}
          onPreview={set}
          onCommit={set}
          onCancel={() => undefined}
        />
      </div>
    );
  },
  revision: function WhichRevision({ words, shown, onChange }) {
    const { revisions } = useStudio();
    const entries = useStore(revisions.api, (state) => state.entries) ?? [];
    const others = entries.map(({ revision }) => revision).filter((one) => one !== shown.revision);
    return (
      <Select
        label={`${words}: which revision`}
        value={`${shown.revision}`}
        options={[shown.revision, ...others.slice(0, MOST_REVISIONS)].map(
          (one) => [`${one}`, revisions.wordsOf(one)] as const,
        )}
        className={NARROW}
        onChange={(one) => onChange({ view: 'revision', revision: Number(one) })}
      />
    );
  },
  look: function WhichLook({ words, shown, onChange }) {
    const studio = useStudio();
    useScene(({ scene }) => scene.looks);
    const looks = looksToTake(studio);
    return (
      <Select
        label={`${words}: which look`}
        value={shown.lookId}
        options={looks.map(({ id, name }) => [id, name] as const)}
        className={NARROW}
        onChange={(lookId) => {
          const look = looks.find(({ id }) => id === lookId);
          if (look) onChange({ view: 'look', lookId, fields: look.fields });
        }}
      />
    );
  },
  eyes: function WhoseEyes({ words, shown, onChange }) {
    return (
      <Select
        label={`${words}: whose eyes`}
        value={shown.eyes}
        options={COLOUR_VISION_NAMES.map((name) => [name, `a ${name}`] as const)}
        className={NARROW}
        onChange={(eyes) => onChange({ view: 'eyes', eyes })}
      />
    );
  },
};
