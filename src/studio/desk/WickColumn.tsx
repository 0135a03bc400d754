'use client';
import { useScene } from '../context';
import { FieldOf } from '../controls/FieldOf';
import { WickTrace } from './WickTrace';

/** A wick's numbers: rate, the lowest and highest level and reach, its seed; with its curve running. */
export function WickColumn({ wickId, lightId }: { wickId: string; lightId: string }) {
  const exists = useScene((state) => state.scene.wicks[wickId] !== undefined);
  const level = useScene((state) => state.scene.lights[lightId]?.level ?? 1);
  const reach = useScene((state) => state.scene.lights[lightId]?.reachPx ?? 1);
  if (!exists) return null;
  const ids = [wickId];
  return (
    <>
      <WickTrace lightId={lightId} seconds={4} className="my-1 h-[26px] w-full" />
      <FieldOf collection="wicks" ids={ids} field="rateHz" label="Rate" low={0.05} high={12} step={0.05} unit="Hz" logarithmic initial={1.6} />
      <FieldOf collection="wicks" ids={ids} field="levelLow" label="Level low" low={0} high={2 * level} scale={level} step={0.01} />
      <FieldOf collection="wicks" ids={ids} field="levelHigh" label="Level high" low={0} high={2 * level} scale={level} step={0.01} />
      <FieldOf collection="wicks" ids={ids} field="reachLow" label="Reach low" low={0.1 * reach} high={2 * reach} scale={reach} digits={0} unit="px" />
      <FieldOf collection="wicks" ids={ids} field="reachHigh" label="Reach high" low={0.1 * reach} high={2 * reach} scale={reach} digits={0} unit="px" />
      <FieldOf collection="wicks" ids={ids} field="roughness" label="Roughness" low={0} high={1} step={0.01} initial={0.5} />
      <FieldOf collection="wicks" ids={ids} field="seed" label="Seed" low={0} high={9999} digits={0} />
    </>
  );
}
