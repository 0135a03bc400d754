/** How long a picture that moves must last to go on from its end as it began: all that lives has gone round then. */
import { framesIn, roundSeconds } from '../art/frames';
import { flickersOf, washesAreDrawn, windBlows } from '../scene/living';
import { flamePartsOf, lightPartsOf } from '../scene/lamp-parts';
import { settingsOf, type SceneDocument } from '../scene/document';
import type { Turning } from '../scene/records/motion';
import { PathRuler } from '../time/path-run';

/** Rounds that differ by less come to the same, seconds: far less than a frame. */
const SAME_SECONDS = 1e-6;
/** Whole times the longest round that are looked at. */
const MOST_TIMES = 600;

/**
 * The rounds of all that lives, seconds, each once, rising.
 * @returns null where something never comes round, as washes that chance picks
 */
export function roundsOf(scene: SceneDocument): number[] | null {
  if (washesAreDrawn(scene)) return null;
  const rounds = [
    ...flickersOf(scene).map(({ wick }) => wick.loopSeconds),
    ...(windBlows(scene) ? [settingsOf(scene).driftLoopSeconds] : []),
    ...playedRounds(scene),
    ...motionRounds(scene),
  ].sort((a, b) => a - b);
  return rounds.filter((round, i) => round > 0 && (i === 0 || round - rounds[i - 1] > SAME_SECONDS));
}

/**
 * Lengths after which everything has gone round a whole number of times, rising.
 * @param most no longer than this, seconds
 */
export function seamlessLengths(scene: SceneDocument, most: number): number[] {
  const rounds = roundsOf(scene);
  if (!rounds) return [];
  const longest = rounds.at(-1);
  if (longest === undefined) return [];
  const lengths: number[] = [];
  for (let times = 1; times <= MOST_TIMES && times * longest <= most; times++) {
    const length = times * longest;
    if (rounds.every((round) => isWhole(length / round, round))) lengths.push(length);
  }
  return lengths;
}

/** Whether everything is after so many seconds as it was. */
export function isSeamless(scene: SceneDocument, seconds: number): boolean {
  return roundsOf(scene)?.every((round) => isWhole(seconds / round, round)) ?? false;
}

function isWhole(times: number, round: number): boolean {
  return times >= 0.5 && Math.abs(times - Math.round(times)) * round < SAME_SECONDS * Math.max(1, times);
}

/** Frames that are played: of sprites, of flames, and of gobos. */
function playedRounds(scene: SceneDocument): number[] {
  const { artworks, sprites, lamps, lights } = scene;
  const visibleLamps = Object.values(lamps).filter((lamp) => !lamp.hidden);
  const gobos = [
    ...Object.values(lights).filter((light) => !light.hidden),
    ...visibleLamps.flatMap((lamp) => lightPartsOf(scene, lamp)),
  ].flatMap(({ still, gobo }) => (gobo && !still ? [gobo] : []));
  const played: { playing: boolean; artworkId: string | null; speed?: number }[] = [
    ...Object.values(sprites).filter((sprite) => !sprite.hidden),
    ...visibleLamps.flatMap((lamp) => flamePartsOf(scene, lamp)),
    ...gobos,
  ];
  return played.flatMap(({ playing, artworkId, speed = 1 }) => {
    const artwork = artworks[artworkId ?? ''];
    // What is played once stands still in the end.
    if (!artwork || !playing || artwork.loop === 'once' || framesIn(artwork).length < 2) return [];
    return [roundSeconds(artwork) / speed];
  });
}

function motionRounds({ sprites, lights, lamps }: SceneDocument): number[] {
  const ruler = new PathRuler();
  return [sprites, lights, lamps].flatMap((things) =>
    Object.values(things)
      .filter(({ hidden }) => !hidden)
      .flatMap(({ turning, path }) => [
        ...(turning ? turningRound(turning) : []),
        ...(path ? [ruler.roundSeconds(path)] : []),
      ]),
  );
}

/** What looks at something goes with that. */
function turningRound({ kind, degreesPerSecond, periodSeconds }: Turning): number[] {
  if (kind === 'steady') return degreesPerSecond === 0 ? [] : [360 / Math.abs(degreesPerSecond)];
  return kind === 'swing' ? [periodSeconds] : [];
}
