'use client';
import { BayColumns } from '../controls/BayColumns';
import { FlashColumn } from './FlashColumn';
import { SeenColumn } from './SeenColumn';

/** What a player's eyes are up to: flashes that are dangerous, and figures that cannot be made out. */
export function ChecksPart() {
  return (
    <BayColumns>
      <FlashColumn />
      <SeenColumn />
    </BayColumns>
  );
}
