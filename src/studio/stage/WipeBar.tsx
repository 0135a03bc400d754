'use client';
/** What both sides of the wipe show, chosen above the edge. */
import { useStore } from 'zustand';
import { COLOUR_VISION_NAMES } from '@/core/checks/colour-vision';
import { inOrder } from '@/core/scene/document';
import { ValueField } from '../controls/ValueField';
import { useDesk, useScene, useStudio } from '../context';
import { setWipeSide, setWipeView, WIPE_VIEW_NAMES, wipeKind } from '../commands/wipe-views';
import type { Wipe, WipeView, WipeViewName } from '../store/wipe';

type Side = keyof Wipe;
const SIDE_WORDS: Record<Side, string> = { left: 'Left of the edge', right: 'Right of the edge' };

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
  return (
    <>
      <select
        aria-label={SIDE_WORDS[side]}
        className="field cursor-pointer bg-slate text-brass"
        value={shown.view}
        onChange={(event) => setWipeSide(studio, side, event.currentTarget.value as WipeViewName)}
      >
        {WIPE_VIEW_NAMES.map((name) => (
          <option key={name} value={name} className="bg-slate text-chalk">
            {wipeKind(name).word}
          </option>
        ))}
      </select>
      <Detail side={side} shown={shown} />
    </>
  );
}

/** Which light, hour, revision or eyes. */
function Detail({ side, shown }: { side: Side; shown: WipeView }) {
  const studio = useStudio();
  const set = (view: WipeView) => setWipeView(studio, side, view);
  switch (shown.view) {
    case 'light':
      return <LightChoice side={side} id={shown.id} onChange={(id) => set({ view: 'light', id })} />;
    case 'hour':
      return (
        <div className="w-[170px]">
          <ValueField
            label="Hour"
            value={shown.clockHours}
            low={0}
            high={24}
            step={0.25}
            unit="h"
            onPreview={(clockHours) => set({ view: 'hour', clockHours })}
            onCommit={(clockHours) => set({ view: 'hour', clockHours })}
            onCancel={() => undefined}
          />
        </div>
      );
    case 'revision':
      return (
        <RevisionChoice
          side={side}
          revision={shown.revision}
          onChange={(revision) => set({ view: 'revision', revision })}
        />
      );
    case 'eyes':
      return (
        <DetailChoice
          label={`${SIDE_WORDS[side]}: whose eyes`}
          value={shown.eyes}
          options={COLOUR_VISION_NAMES.map((name) => [name, `a ${name}`] as const)}
          onChange={(eyes) => set({ view: 'eyes', eyes })}
        />
      );
    default:
      return null;
  }
}

function LightChoice({ side, id, onChange }: { side: Side; id: string; onChange(id: string): void }) {
  const options = useScene(({ scene }) =>
    [...inOrder(scene.lights), ...inOrder(scene.lamps)].map(([one, { name }]) => [one, name] as const),
  );
  return (
    <DetailChoice
      label={`${SIDE_WORDS[side]}: which light`}
      value={id}
      options={options}
      onChange={onChange}
    />
  );
}

function RevisionChoice({
  side,
  revision,
  onChange,
}: {
  side: Side;
  revision: number;
  onChange(revision: number): void;
}) {
  const { revisions } = useStudio();
  const entries = useStore(revisions.api, (state) => state.entries) ?? [];
  const others = entries.filter((one) => one.revision !== revision).slice(0, 40);
  return (
    <DetailChoice
      label={`${SIDE_WORDS[side]}: which revision`}
      value={`${revision}`}
      options={[revision, ...others.map((one) => one.revision)].map(
        (one) => [`${one}`, revisions.wordsOf(one)] as const,
      )}
      onChange={(one) => onChange(Number(one))}
    />
  );
}

function DetailChoice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange(value: T): void;
}) {
  return (
    <select
      aria-label={label}
      className="field max-w-[140px] cursor-pointer bg-slate text-brass"
      value={value}
      onChange={(event) => onChange(event.currentTarget.value as T)}
    >
      {options.map(([option, words]) => (
        <option key={option} value={option} className="bg-slate text-chalk">
          {words}
        </option>
      ))}
    </select>
  );
}
