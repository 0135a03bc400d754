'use client';
import { useStore } from 'zustand';
import { Column } from '../../controls/Column';
import { Choice, Row } from '../../controls/small';
import { SettingField } from '../../controls/SettingField';
import { useStudio } from '../../context';
import type { ReliefBenchState } from '../../store/relief-bench';
import { FacingBall, facingWords } from '../FacingBall';
import { worded } from './recipe-controls';

const AREAS = ['part', 'colour', 'polygon'] as const;
const AREA_WORDS = { part: 'A part', colour: 'A colour', polygon: 'A polygon' } as const;

/** The brush that paints, and the facing that it gives. */
export function BrushColumn() {
  const studio = useStudio();
  const bench = useStore(studio.reliefBench);
  const { tool } = bench;
  const set = (fields: Partial<ReliefBenchState>) => studio.reliefBench.setState(fields);
  const facing = tool === 'face' || tool === 'fill';
  return (
    <>
      <Column title="Brush">
        <SettingField
          label="Size"
          value={bench.sizePx}
          low={1}
          high={512}
          digits={0}
          unit="px"
          logarithmic
          initial={8}
          onChange={(sizePx) => set({ sizePx })}
        />
        <SettingField
          label="Hardness"
          value={bench.hardness}
          low={0}
          high={1}
          step={0.05}
          initial={0.5}
          onChange={(hardness) => set({ hardness })}
        />
        <SettingField
          label="Opacity"
          value={bench.opacity}
          low={0.05}
          high={1}
          step={0.05}
          initial={0.6}
          onChange={(opacity) => set({ opacity })}
        />
        {(tool === 'raise' || tool === 'lower') && (
          <SettingField
            label="Amount"
            value={bench.heightPx}
            low={0.1}
            high={32}
            step={0.1}
            digits={1}
            unit="px"
            logarithmic
            initial={1}
            onChange={(heightPx) => set({ heightPx })}
          />
        )}
        {(tool === 'rim' || tool === 'glow') && (
          <SettingField
            label="Value"
            value={bench.level}
            low={0}
            high={1}
            step={0.05}
            initial={1}
            onChange={(level) => set({ level })}
          />
        )}
        {tool === 'fill' && (
          <Choice
            label="Fill"
            value={bench.fillArea}
            options={worded(AREAS, AREA_WORDS)}
            onChange={(fillArea) => set({ fillArea })}
          />
        )}
      </Column>
      <Column title="Direction">
        <div className={`flex gap-2 pt-1 ${facing ? '' : 'opacity-70'}`}>
          <FacingBall
            faceX={bench.faceX}
            faceY={bench.faceY}
            onFace={(faceX, faceY) => set({ faceX, faceY })}
          />
          <div className="text-small text-ash">
            <p className="text-chalk">{facingWords(bench.faceX, bench.faceY)}</p>
            <p>Square: what is painted. Ring: the art under the pointer.</p>
          </div>
        </div>
        <Row label="">
          <span className="text-small text-ash">Alt and click takes one up</span>
        </Row>
      </Column>
    </>
  );
}
