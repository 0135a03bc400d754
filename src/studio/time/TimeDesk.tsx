'use client';
import { PartsDesk, type DeskPart } from '../controls/PartsDesk';
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

const PARTS: Record<TimePart, DeskPart> = {
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
  return (
    <PartsDesk
      label="Parts of time"
      order={TIME_PARTS}
      parts={PARTS}
      part={part}
      onChange={(timePart) => studio.desk.setState({ timePart })}
    />
  );
}
