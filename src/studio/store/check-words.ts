/** What checks found, in words, and the way to it. */
import { flashWords } from '@/core/checks/flash/flash-words';
import type { SceneFlashReport } from '@/core/checks/flash/scene-flashes';
import { worstSeen, type Eye, type SeenReport } from '@/core/checks/seen/seen-report';
import { clockText } from '@/core/time/cues';
import type { Studio } from './studio';

/** Something that a check found, and how to come to it. */
export interface Finding {
  words: string;
  go(): void;
}

/** Freezes all time at a moment of the scene. */
export function goToMoment(studio: Studio, clockHours: number, seconds: number): void {
  studio.live.setState({ clockHours, seconds, dayRate: 0, isFrozen: true });
}

/** What both checks found in the scene as it is; nothing of a scene that has changed since. */
export function findingsOf(studio: Studio): Finding[] {
  const { flashes, seen } = studio.checks.api.getState();
  const { kept } = studio.scenes;
  const { seenEye, seenLimit } = studio.desk.getState();
  return [
    ...(flashes.report && flashes.scene === kept ? flashFindings(studio, flashes.report) : []),
    ...(seen.report && seen.scene === kept ? seenFindings(studio, seen.report, seenEye, seenLimit) : []),
  ];
}

function flashFindings(studio: Studio, { faults, hour }: SceneFlashReport): Finding[] {
  return faults.map((fault) => ({
    words: `${flashWords(fault)} More than three a second over so much of the picture are dangerous to some.`,
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
      go: () => goToMoment(studio, worst.hour, worst.second),
    },
  ];
}
