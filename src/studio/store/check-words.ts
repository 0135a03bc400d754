/** What checks found, in words, and the way to it. */
import { flashWords } from '@/core/checks/flash/flash-words';
import type { SceneFlashReport } from '@/core/checks/flash/scene-flashes';
import { worstSeen, type Eye, type SeenReport } from '@/core/checks/seen/seen-report';
import { clockText } from '@/core/time/cues';
import type { Studio } from './studio';

/** Something that a check found, and what can be done with it. */
export interface Finding {
  words: string;
  /** What the key says that does it. */
  keyWords: string;
  /** Good to know, but no mistake. */
  isInformation?: boolean;
  go(): void;
}

/** Freezes all time at a moment of the scene. */
export function goToMoment(studio: Studio, clockHours: number, seconds: number): void {
  studio.live.setState({ clockHours, seconds, dayRate: 0, isFrozen: true });
}

/** What both checks found in the scene as it is, and what is good to know; nothing of a scene that has changed since. */
export function findingsOf(studio: Studio): Finding[] {
  const { flashes, seen } = studio.checks.api.getState();
  const { kept } = studio.scenes;
  const { seenEye, seenLimit, workLamp } = studio.desk.getState();
  return [
    ...(workLamp ? [workLampFinding(studio)] : []),
    ...(flashes.report && flashes.scene === kept ? flashFindings(studio, flashes.report) : []),
    ...(seen.report && seen.scene === kept ? seenFindings(studio, seen.report, seenEye, seenLimit) : []),
  ];
}

function flashFindings(studio: Studio, { faults, hour }: SceneFlashReport): Finding[] {
  return faults.map((fault) => ({
    words: `${flashWords(fault)} More than three a second over so much of the picture are dangerous to some.`,
    keyWords: 'Go there',
    go: () => goToMoment(studio, hour, fault.second),
  }));
}

function seenFindings(studio: Studio, report: SeenReport, eye: Eye, limit: number): Finding[] {
  const worst = worstSeen(report, eye);
  if (!worst || worst.contrast >= limit) return [];
  const name = studio.scene.sprites[report.spriteId]?.name ?? '';
  return [
    {
      words: `“${name}” is hardly seen at ${clockText(worst.hour)}: its contrast is ${worst.contrast.toFixed(1)}, and ${limit} is wanted.`,
      keyWords: 'Go there',
      go: () => goToMoment(studio, worst.hour, worst.second),
    },
  ];
}

function workLampFinding({ desk }: Studio): Finding {
  return {
    words: 'The work lamp is on: the stage is lighter than the scene is.',
    keyWords: 'Turn it off',
    isInformation: true,
    go: () => desk.setState({ workLamp: false }),
  };
}
