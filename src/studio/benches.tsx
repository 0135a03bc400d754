'use client';
/** What each bench shows: a desk under the stage, or all of the window. */
import type { ComponentType } from 'react';
import { ArtBench } from './art/ArtBench';
import { StageDesk } from './desk/StageDesk';
import { FinishDesk } from './finish/FinishDesk';
import { TimeDesk } from './time/TimeDesk';
import { HandoffBench } from './handoff/HandoffBench';
import { ReliefBench } from './relief/ReliefBench';
import type { Bench } from './store/benches';

export const BENCH_PARTS: Record<Bench, ComponentType> = {
  art: ArtBench,
  relief: ReliefBench,
  stage: StageDesk,
  time: TimeDesk,
  finish: FinishDesk,
  handoff: HandoffBench,
};
