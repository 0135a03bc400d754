import { InputFault } from '@/core/faults';

/** @throws InputFault where an hour is none of the day's */
export function checkHour(hour: number | undefined): void {
  if (hour !== undefined && (hour < 0 || hour > 24))
    throw new InputFault(`--hour runs from 0 to 24; got ${hour}.`);
}
