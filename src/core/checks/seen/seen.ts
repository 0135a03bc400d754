/**
 * Can it be seen: how well a figure stands out from the ring around it, over the twenty-four hours and the spread of the
 * flicker, for everybody's eyes. The contrast is the distance of their mean colours in OKLab, times 100: 0 is the same, 2 is
 * just to be told apart, 100 is black against white.
 */
import { linearToOklab, type Rgb } from '../../raster/colour';
import { coloursAt } from '../../light/finished';
import { gateView } from '../../moment/moment-at';
import { MomentMaker } from '../../moment/moment-maker';
import type { CheckFiles } from '../check-files';
import { NOTHING_PASSING } from '../../moment/passing';
import { lives } from '../../scene/living';
import type { SceneDocument } from '../../scene/document';
import { DAY_HOURS } from '../../time/periodic';
import { seenBy } from '../colour-vision';
import { figureOf } from './figure';
import { EYES, type Eye, type SeenCurve, type SeenReport } from './seen-report';

/** Every twenty minutes of the day. */
const HOUR_STEPS = 72;
/** Instants of a minute at each hour, spread by the golden ratio so that they fall in with no beat. */
const INSTANTS = 5;
const MINUTE = 60;
const GOLDEN = 0.6180339887498949;

export class FigureSeen {
  private readonly maker: MomentMaker;
  private readonly seconds: readonly number[];
  private readonly hours = Float64Array.from({ length: HOUR_STEPS }, (_, i) => (i / HOUR_STEPS) * DAY_HOURS);
  private readonly curves: Record<Eye, SeenCurve>;
  private done = 0;

  constructor(
    private readonly scene: SceneDocument,
    private readonly files: CheckFiles,
    private readonly spriteId: string,
  ) {
    this.maker = new MomentMaker(files.tables);
    const isAlive = lives(scene);
    this.seconds = Array.from({ length: isAlive ? INSTANTS : 1 }, (_, k) => ((k * GOLDEN) % 1) * MINUTE);
    const empty = () => new Float64Array(HOUR_STEPS).fill(NaN);
    this.curves = Object.fromEntries(
      EYES.map((eye) => [eye, { lowest: empty(), mean: empty(), highest: empty(), lowestAt: empty() }]),
    ) as Record<Eye, SeenCurve>;
  }

  get share(): number {
    return this.done / HOUR_STEPS;
  }

  /** Looks at the next hour. @returns whether there are more */
  step(): boolean {
    if (this.done < HOUR_STEPS) this.look(this.done++);
    return this.done < HOUR_STEPS;
  }

  report(): SeenReport {
    return { spriteId: this.spriteId, hours: this.hours, curves: this.curves };
  }

  private look(hour: number): void {
    const found = this.seconds.flatMap((second) => {
      const colours = this.coloursAt(this.hours[hour], second);
      return colours ? [{ second, colours }] : [];
    });
    if (found.length === 0) return;
    for (const eye of EYES) {
      const values = found.map(({ colours: [figure, ring] }) => contrast(figure, ring, eye));
      const { lowest, mean, highest, lowestAt } = this.curves[eye];
      lowest[hour] = Math.min(...values);
      highest[hour] = Math.max(...values);
      mean[hour] = values.reduce((sum, value) => sum + value, 0) / values.length;
      lowestAt[hour] = found[values.indexOf(lowest[hour])].second;
    }
  }

  /** The mean linear colours of the figure and of its ring, as they are displayed; null where it is not in the picture. */
  private coloursAt(hour: number, second: number): [Rgb, Rgb] | null {
    const { scene, maker, spriteId } = this;
    const { source } = this.files;
    const sprite = maker.sprite(scene, hour, second, spriteId);
    if (!sprite) return null;
    const moment = maker.at(scene, hour, second, NOTHING_PASSING, gateView(scene));
    const pixels = moment.pictures.map(({ key }) => source(key));
    const places = figureOf(moment, sprite, pixels);
    if (!places) return null;
    return [meanOf(coloursAt(moment, source, places.figure)), meanOf(coloursAt(moment, source, places.ring))];
  }
}

function meanOf(colours: Float64Array): Rgb {
  const mean: Rgb = [0, 0, 0];
  colours.forEach((value, i) => (mean[i % 3] += (3 * value) / colours.length));
  return mean;
}

/** How well two colours are told apart, 0 to about 100. */
export function contrast(a: Readonly<Rgb>, b: Readonly<Rgb>, eye: Eye): number {
  const [one, other] = [a, b].map((colour) =>
    linearToOklab(eye === 'typical' ? colour : seenBy(eye, colour)),
  );
  const [l, m, n] = one.map((value, c) => value - other[c]);
  return 100 * Math.sqrt(l * l + m * m + n * n);
}
