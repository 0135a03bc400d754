/** The benches, in the order of their keys. What each shows is in ../benches.tsx. */
export interface BenchFacts {
  word: string;
  /** The stage stands above its desk, with planes and hours. */
  hasStage?: true;
  /** How often each value occurs stands beside the hours. */
  hasHistogram?: true;
  /** It shows one artwork, which is part of the address. */
  hasArtwork?: true;
}

const BENCH_FACTS = {
  art: { word: 'Art', hasArtwork: true },
  relief: { word: 'Relief', hasArtwork: true },
  stage: { word: 'Stage', hasStage: true },
  time: { word: 'Time', hasStage: true },
  finish: { word: 'Finish', hasStage: true, hasHistogram: true },
  handoff: { word: 'Hand-off' },
} as const satisfies Record<string, BenchFacts>;

export type Bench = keyof typeof BENCH_FACTS;
export const BENCHES = Object.keys(BENCH_FACTS) as Bench[];

export function benchFacts(bench: Bench): BenchFacts {
  return BENCH_FACTS[bench];
}
