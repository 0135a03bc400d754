/** Commands of time: what stands still, goes on, is stepped through and is recorded. */
import { FRAME_SECONDS, MINUTE_HOURS, playDay, stepTime } from '../store/live';
import { onStage, type Command } from './command';

export const TIME_COMMANDS: Command[] = [
  {
    id: 'freeze',
    words: 'Freeze all time',
    keys: ['f'],
    isHere: onStage,
    run: (s) => s.live.setState(({ isFrozen }) => ({ isFrozen: !isFrozen })),
  },
  {
    id: 'play-day',
    words: 'Play the day',
    keys: ['d'],
    isHere: onStage,
    run: (s) => playDay(s.live),
  },
  {
    id: 'next-frame',
    words: 'A frame on',
    keys: [']'],
    isHere: onStage,
    run: (s) => stepTime(s.live, { seconds: FRAME_SECONDS }),
  },
  {
    id: 'last-frame',
    words: 'A frame back',
    keys: ['['],
    isHere: onStage,
    run: (s) => stepTime(s.live, { seconds: -FRAME_SECONDS }),
  },
  {
    id: 'next-minute',
    words: 'A minute of the clock on',
    keys: ['}'],
    isHere: onStage,
    run: (s) => stepTime(s.live, { hours: MINUTE_HOURS }),
  },
  {
    id: 'last-minute',
    words: 'A minute of the clock back',
    keys: ['{'],
    isHere: onStage,
    run: (s) => stepTime(s.live, { hours: -MINUTE_HOURS }),
  },
  {
    id: 'record',
    words: 'Record a cue',
    keys: ['alt+r'],
    isHere: onStage,
    run: (s) => s.desk.setState(({ isRecording }) => ({ isRecording: !isRecording })),
  },
];
