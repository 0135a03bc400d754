'use client';
import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { useStore } from 'zustand';
import { Choice, ColourField, Switch } from '../controls/small';
import { SettingField } from '../controls/SettingField';
import { useStudio } from '../context';
import type { LampWay, ReliefBenchState } from '../store/relief-bench';

/** The hand lamp: how it moves, how high it hangs, its colour and reach, and a second one. */
export function LampMenu() {
  const studio = useStudio();
  const { lampWay, lampHeightPx, lampColour, lampReach, secondLamp } = useStore(studio.reliefBench);
  const set = (fields: Partial<ReliefBenchState>) => studio.reliefBench.setState(fields);
  return (
    <Popover className="relative">
      <PopoverButton className="key">Hand lamp</PopoverButton>
      <PopoverPanel
        anchor="bottom end"
        className="floating z-30 mt-1 flex w-[232px] flex-col border border-rail bg-slate p-2"
      >
        <Choice<LampWay>
          label="Moves"
          value={lampWay}
          options={[
            ['follow', 'With the pointer'],
            ['circle', 'In a circle'],
          ]}
          onChange={(way) => set({ lampWay: way })}
        />
        <SettingField
          label="Height"
          value={lampHeightPx}
          low={1}
          high={400}
          digits={0}
          unit="px"
          logarithmic
          initial={16}
          onChange={(value) => set({ lampHeightPx: value })}
        />
        <SettingField
          label="Reach"
          value={lampReach}
          low={0.2}
          high={6}
          step={0.1}
          digits={1}
          unit="×"
          logarithmic
          initial={1.6}
          onChange={(value) => set({ lampReach: value })}
        />
        <ColourField
          label="Colour"
          value={lampColour}
          onPreview={(colour) => set({ lampColour: colour })}
          onCommit={(colour) => set({ lampColour: colour })}
        />
        <Switch
          label="Second"
          on={secondLamp}
          words={['a cool one, fixed', 'none']}
          onChange={(on) => set({ secondLamp: on })}
        />
      </PopoverPanel>
    </Popover>
  );
}
