'use client';
import { curveTable } from '@/core/moment/tables';
import { CurveChart } from '../controls/CurveChart';
import type { LookAdapter } from './look-adapter';

/** The drawn falloff of a light, from core to reach. */
export function CurveEditor({ of }: { of: LookAdapter }) {
  const points = of.look.drawnCurve;
  return (
    <CurveChart
      label="Drawn falloff, from core to reach"
      pointLabel="of the falloff"
      points={points}
      values={Array.from(curveTable(points))}
      ends="fixed"
      onPreview={(drawnCurve) => of.preview({ drawnCurve })}
      onCommit={(drawnCurve) => of.commit({ drawnCurve })}
      onCancel={of.cancel}
    />
  );
}
