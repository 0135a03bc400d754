'use client';
import { LIMITS } from '@/core/limits';
import { LIGHT_SCREENS } from '../lights/kinds/all-kinds';
import { Column } from '../controls/Column';
import { Choice, Key, Row } from '../controls/small';
import { STARTERS, STARTER_WORDS, startedArea, withHole, type Starter } from '../store/area-starters';
import type { LookAdapter } from './look-adapter';
import { LookNumber } from './LookFields';

/** The outline of an area light, or of where an ambient light holds. */
export function AreaColumn({ of }: { of: LookAdapter }) {
  const { outlines, kind } = of.look;
  const { isAmbient } = LIGHT_SCREENS[kind];
  const points = outlines.reduce((sum, outline) => sum + outline.length / 2, 0);
  return (
    <Column title="Outline" aside={of.differs('outlines') ? 'differs' : points > 0 && `${points} points`}>
      <Choice<Starter | 'none'>
        label="Begin with"
        value="none"
        options={[
          ['none', outlines.length > 0 ? 'another shape' : 'a shape'],
          ...STARTERS.map((s) => [s, STARTER_WORDS[s]] as const),
        ]}
        onChange={(starter) => starter !== 'none' && of.commit(startedArea(starter))}
      />
      {outlines.length > 0 && (
        <>
          <LookNumber
            of={of}
            field="featherPx"
            label="Feather"
            low={0}
            high={200}
            digits={1}
            unit="px"
            logarithmic
          />
          <LookNumber of={of} field="turnDeg" label="Turn" low={-180} high={180} unit="°" digits={0} />
        </>
      )}
      {outlines.length > 0 && (
        <Row label="">
          <Key
            title="Cuts another outline out of it; a double click on its points takes it away again"
            disabled={outlines.length >= LIMITS.outlines}
            onClick={() => of.commit(withHole(of.look))}
          >
            Cut a hole
          </Key>
          {isAmbient && <Key onClick={() => of.commit({ outlines: [], smooth: [] })}>Everywhere</Key>}
        </Row>
      )}
    </Column>
  );
}
