'use client';
import type { ComponentType } from 'react';
import { TIME_PARTS, type TimePart } from '../store/desk-store';
import { useDesk, useStudio } from '../context';
import { ChecksPart } from './ChecksPart';
import { DayPart } from './DayPart';
import { MotionPart } from './MotionPart';
import { RoundsPart } from './RoundsPart';
import { SkyPart } from './SkyPart';
import { WashPart } from './WashPart';
import { WeatherPart } from './WeatherPart';
import { WickPart } from './WickPart';

const PARTS: Record<TimePart, { word: string; about: string; Part: ComponentType }> = {
  day: { word: 'Day', about: 'Cues, and every value over the twenty-four hours', Part: DayPart },
  sky: { word: 'Sky', about: 'Where the sun and the moon stand, and when circuits are lit', Part: SkyPart },
  weather: { word: 'Weather', about: 'Shadows of clouds, and mist', Part: WeatherPart },
  wash: { word: 'Wash', about: 'Faint gradients over the picture', Part: WashPart },
  motion: { word: 'Motion', about: 'What turns, looks at others and goes along paths', Part: MotionPart },
  wicks: { word: 'Wicks', about: 'How flames burn', Part: WickPart },
  rounds: { word: 'Rounds', about: 'A figure is walked through the scene', Part: RoundsPart },
  checks: {
    word: 'Checks',
    about: 'Whether it flashes dangerously, and whether a figure can be seen',
    Part: ChecksPart,
  },
};

/** The desk of the Time bench: one part of time after the other. */
export function TimeDesk() {
  const studio = useStudio();
  const part = useDesk((state) => state.timePart);
  const { Part } = PARTS[part];
  return (
    <div className="flex min-h-0 border-t border-line bg-slate">
      <div
        role="group"
        aria-label="Parts of time"
        className="flex w-[72px] shrink-0 flex-col gap-[2px] border-r border-line p-1"
      >
        {TIME_PARTS.map((one) => (
          <button
            key={one}
            type="button"
            className="key max-h-[26px] min-h-0 flex-1 py-0 text-left"
            aria-pressed={part === one}
            title={PARTS[one].about}
            onClick={() => studio.desk.setState({ timePart: one })}
          >
            {PARTS[one].word}
          </button>
        ))}
      </div>
      <div className="min-h-0 min-w-0 flex-1 p-2">
        <Part />
      </div>
    </div>
  );
}
