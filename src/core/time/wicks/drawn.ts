import { array } from 'yup';
import { share } from '../../fields';
import { monotoneAt, monotoneCubic } from '../../geometry/monotone';
import { LIMITS } from '../../limits';
import { cyclePhase, type WickKindRecord } from './kind';

/** Points of the person's own, joined by a monotone spline, repeated. */
export const drawn: WickKindRecord<{ points: number[] }> = {
  fields: {
    points: array()
      .of(share())
      .required()
      .min(2)
      .max(2 * LIMITS.curvePoints)
      .default(() => [0, 0.2, 0.25, 1, 0.6, 0.55])
      .test(
        'pairs',
        '${path} must hold a share of the period and a value in pairs',
        (points) => points.length % 2 === 0,
      )
      .test('rising', 'the shares of the period in ${path} must rise, and end before 1', (points) =>
        points.every((at, i) => i % 2 === 1 || (at < 1 && (i === 0 || at > points[i - 2]))),
      )
      .meta({ about: 'Flat points: share of the period and value, 0 to 1 each, in turn' }),
  },
  begins: { rateHz: 0.5 },
  curve: (wick) => {
    const every = (from: number) => wick.points.filter((_, i) => i % 2 === from);
    const cubic = monotoneCubic(every(0), every(1), 1);
    return (seconds) => Math.min(1, Math.max(0, monotoneAt(cubic, cyclePhase(wick, seconds))));
  },
};
