'use client';
import { PartsDesk, type DeskPart } from '../controls/PartsDesk';
import { useDesk, useStudio } from '../context';
import { FINISH_PARTS, type FinishPart } from '../store/desk-store';
import { HoursPart } from './HoursPart';
import { LooksPart } from './LooksPart';
import { PassesPart } from './PassesPart';

const PARTS: Record<FinishPart, DeskPart> = {
  passes: {
    word: 'Passes',
    about: 'What happens to the picture after the planes, in its order',
    Part: PassesPart,
  },
  looks: { word: 'Looks', about: 'This moment under every look', Part: LooksPart },
  hours: { word: 'Hours', about: 'The gate over the day', Part: HoursPart },
};

/** The desk of the Finish bench. */
export function FinishDesk() {
  const studio = useStudio();
  const part = useDesk((state) => state.finishPart);
  return (
    <PartsDesk
      label="Parts of the finish"
      order={FINISH_PARTS}
      parts={PARTS}
      part={part}
      onChange={(finishPart) => studio.desk.setState({ finishPart })}
    />
  );
}
