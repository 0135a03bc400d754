'use client';
import { useScene, useStudio } from '../context';
import { FieldOf } from '../controls/FieldOf';
import { RangeField } from '../controls/RangeField';
import { WickTrace } from './WickTrace';

/** A wick's numbers, its ranges in the unit of a light that burns by it, with the curve running. */
export function WickColumn({
  wickId,
  lightId,
  isWhole = false,
}: {
  wickId: string;
  lightId: string;
  isWhole?: boolean;
}) {
  const studio = useStudio();
  const wick = useScene((state) => state.scene.wicks[wickId]);
  const level = useScene((state) => state.scene.lights[lightId]?.level ?? 1) || 1;
  const reach = useScene((state) => state.scene.lights[lightId]?.reachPx ?? 1);
  if (!wick) return null;
  const ids = [wickId];
  return (
    <>
      <WickTrace lightId={lightId} seconds={4} className="my-[2px] h-[24px] w-full shrink-0" />
      <FieldOf
        collection="wicks"
        ids={ids}
        field="rateHz"
        label="Rate"
        low={0.05}
        high={12}
        step={0.05}
        unit="Hz"
        logarithmic
        initial={1.6}
      />
      <RangeField
        label="Level"
        low={wick.levelLow * level}
        high={wick.levelHigh * level}
        least={0}
        most={8 * level}
        digits={2}
        onChange={(low, high) =>
          studio.set('Level of the wick', 'wicks', wickId, { levelLow: low / level, levelHigh: high / level })
        }
      />
      <RangeField
        label="Reach"
        low={wick.reachLow * reach}
        high={wick.reachHigh * reach}
        least={0.01 * reach}
        most={8 * reach}
        digits={0}
        unit="px"
        onChange={(low, high) =>
          studio.set('Reach of the wick', 'wicks', wickId, { reachLow: low / reach, reachHigh: high / reach })
        }
      />
      {isWhole && (
        <FieldOf
          collection="wicks"
          ids={ids}
          field="roughness"
          label="Rough"
          low={0}
          high={1}
          step={0.01}
          initial={0.5}
        />
      )}
      <FieldOf collection="wicks" ids={ids} field="seed" label="Seed" low={0} high={9999} digits={0} whole />
    </>
  );
}
