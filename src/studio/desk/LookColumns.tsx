'use client';
/** The columns of a light by its kind: the most used first. */
import { LIGHT_KINDS, type LightKind } from '@/core/moment/light-kinds/all-kinds';
import type { Blend, FallCurve, Source } from '@/core/scene/records/light-look';
import type { ComponentType, ReactNode } from 'react';
import type { FigureColumn } from '../lights/kinds/kind';
import { LIGHT_SCREENS } from '../lights/kinds/all-kinds';
import { Column } from '../controls/Column';
import { Choice, Row } from '../controls/small';
import { AreaColumn } from './AreaColumn';
import { CurveEditor } from './CurveEditor';
import { GoboColumn } from './GoboColumn';
import type { LookAdapter } from './look-adapter';
import { LookChoice, LookColour, LookNumber, LookSwitch } from './LookFields';
import { withKind } from '../store/area-starters';
import { StopsRow } from './StopsRow';
import { FollowsRows, SunColumn } from './SunColumn';

const BLEND_WORDS: Record<Blend, string> = {
  add: 'Add',
  lighten: 'Lighten',
  uncover: 'Uncover',
  subtract: 'Subtract',
};
const CURVE_WORDS: Record<FallCurve, string> = {
  natural: 'Natural',
  straight: 'Straight',
  eased: 'Eased',
  even: 'Even',
  drawn: 'Drawn',
};
const SOURCE_WORDS: Record<Source, string> = { point: 'A place', parallel: 'One direction' };

export function LookColumns({ of }: { of: LookAdapter }) {
  const { kind, curve, rim, blend, bands } = of.look;
  const { isAmbient, figure, columns, lateColumns, ...screen } = LIGHT_SCREENS[kind];
  const falls = screen.falls(of.look);
  return (
    <>
      <Column title="Light">
        <Choice<LightKind>
          label={of.mark('kind', 'Kind')}
          value={kind}
          differs={of.differs('kind')}
          options={LIGHT_KINDS.map((one) => [one, LIGHT_SCREENS[one].word])}
          onChange={(next) => of.commit(withKind(of.look, next))}
        />
        <LookNumber of={of} field="level" label="Level" low={0} high={16} step={0.01} logarithmic />
        <LookColour of={of} field="colour" label="Colour" />
        {isAmbient ? (
          <LookSwitch
            of={of}
            field="replaces"
            label="Ambient"
            words={["replaces the scene's", 'adds to it']}
          />
        ) : (
          !rim && <LookChoice of={of} field="blend" label="Blend" words={BLEND_WORDS} />
        )}
        {falls && <StopsRow of={of} />}
        {figure.round && <HeightField of={of} />}
      </Column>
      <FigureColumns names={columns} of={of} />
      {!isAmbient && <ShadowColumn of={of} />}
      {falls && (
        <Column
          title="Falloff"
          wide={curve === 'drawn'}
          aside={curve === 'drawn' && of.differs('drawnCurve') && 'differs'}
        >
          <LookChoice of={of} field="curve" label="Curve" words={CURVE_WORDS} />
          <LookNumber
            of={of}
            field="steepness"
            label="Steepness"
            low={0.1}
            high={10}
            step={0.01}
            logarithmic
          />
          {curve === 'drawn' && <CurveEditor of={of} />}
        </Column>
      )}
      <Column title="Steps">
        {falls && <LookNumber of={of} field="bands" label="Bands" low={0} high={16} digits={0} />}
        {falls && bands > 0 && <LookSwitch of={of} field="dither" label="Dither" />}
        <LookNumber of={of} field="blockPx" label="Blocks" low={0} high={32} unit="px" digits={0} />
      </Column>
      <FigureColumns names={lateColumns} of={of} />
      {!isAmbient && (
        <Column title="Surface">
          <LookNumber of={of} field="relief" label="Relief" low={0} high={1} step={0.01} />
          <LookNumber of={of} field="wrap" label="Wrap" low={0} high={1} step={0.01} />
          {!rim && blend !== 'subtract' && (
            <LookNumber of={of} field="air" label="Air" low={0} high={1} step={0.01} />
          )}
          <LookSwitch of={of} field="rim" label="Rim only" words={['yes', 'no']} />
          <LookSwitch of={of} field="still" label="Motion" words={['still', 'live']} />
        </Column>
      )}
    </>
  );
}

/** Columns of a figure, by the names that the kinds of lights list. */
const FIGURE_COLUMNS: Record<FigureColumn, ComponentType<{ of: LookAdapter }>> = {
  round: RoundColumn,
  cone: ConeColumn,
  sun: SunColumn,
  outline: AreaColumn,
  gobo: GoboColumn,
  source: SourceColumn,
};

function FigureColumns({ names, of }: { names: readonly FigureColumn[]; of: LookAdapter }) {
  return names.map((name) => {
    const One = FIGURE_COLUMNS[name];
    return <One key={name} of={of} />;
  });
}

function ConeColumn({ of }: { of: LookAdapter }) {
  return (
    <RoundColumn of={of}>
      <LookNumber of={of} field="bearingDeg" label="Bearing" low={-180} high={180} unit="°" digits={0} />
      <LookNumber of={of} field="beamDeg" label="Beam" low={0} high={180} unit="°" digits={0} />
      <LookNumber of={of} field="fieldDeg" label="Field" low={0} high={180} unit="°" digits={0} />
    </RoundColumn>
  );
}

function HeightField({ of }: { of: LookAdapter }) {
  return (
    <LookNumber of={of} field="heightPx" label="Height" low={0} high={400} digits={1} unit="px" logarithmic />
  );
}

function RoundColumn({ of, children }: { of: LookAdapter; children?: ReactNode }) {
  return (
    <Column title="Figure">
      <LookNumber
        of={of}
        field="corePx"
        label="Core"
        low={0}
        high={200}
        step={0.5}
        digits={1}
        unit="px"
        logarithmic
      />
      <LookNumber
        of={of}
        field="reachPx"
        label="Reach"
        low={1}
        high={1000}
        digits={1}
        unit="px"
        logarithmic
      />
      <LookNumber of={of} field="squash" label="Squash" low={0.2} high={5} step={0.01} unit="x" logarithmic />
      {children}
    </Column>
  );
}

function SourceColumn({ of }: { of: LookAdapter }) {
  return (
    <Column title="Source">
      <LookChoice of={of} field="source" label="Source" words={SOURCE_WORDS} />
      {of.look.source === 'parallel' ? (
        <>
          <FollowsRows of={of} lowest={0} />
        </>
      ) : (
        <>
          <LookNumber of={of} field="sourceX" label="X" low={-500} high={500} unit="px" digits={0} />
          <LookNumber of={of} field="sourceY" label="Y" low={-500} high={500} unit="px" digits={0} />
          <HeightField of={of} />
        </>
      )}
    </Column>
  );
}

function ShadowColumn({ of }: { of: LookAdapter }) {
  const { shadows, kind } = of.look;
  const isParallel = LIGHT_SCREENS[kind].isParallel(of.look);
  return (
    <Column title="Shadow" aside={!shadows && <span className="text-signal">throws none</span>}>
      <LookSwitch of={of} field="shadows" label="Shadows" warns />
      {shadows ? (
        <>
          {isParallel ? (
            <LookNumber
              of={of}
              field="sizeDeg"
              label="Softness"
              low={0}
              high={20}
              step={0.1}
              digits={1}
              unit="°"
            />
          ) : (
            <LookNumber
              of={of}
              field="sizePx"
              label="Softness"
              low={0}
              high={64}
              step={0.5}
              digits={1}
              unit="px"
              logarithmic
            />
          )}
          <LookNumber of={of} field="shadowOpacity" label="Density" low={0} high={1} step={0.01} />
          <LookColour of={of} field="shadowColour" label="Shadow colour" />
        </>
      ) : (
        <Row label="">
          <span className="text-small text-ash">Walls do not stop it</span>
        </Row>
      )}
    </Column>
  );
}
