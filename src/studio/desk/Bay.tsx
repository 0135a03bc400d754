'use client';
import { BayColumns } from '../controls/BayColumns';
import { CommandKey } from '../controls/CommandKey';
import { Column } from '../controls/Column';
import { Row } from '../controls/small';
import { useDesk, useScene } from '../context';
import { TILE_TOOLS } from '../store/desk-store';
import { LightBay } from './LightBay';
import { LightToolBay } from './LightToolBay';
import { CueBay } from './CueBay';
import { LampBay } from './LampBay';
import { ManyColumn } from './ManyColumn';
import { MeterBay } from './MeterBay';
import { OccluderBay } from './OccluderBay';
import { PlaneBay } from './PlaneBay';
import { ScatterBay } from './ScatterBay';
import { SceneBay } from './SceneBay';
import { SpriteBay } from './SpriteBay';

/** The controls of what is picked; of the scene where nothing is. */
export function Bay() {
  const selection = useScene((state) => state.selection);
  const kinds = new Set(selection.map((picked) => picked.collection));
  const ids = selection.map((picked) => picked.id);
  const [kind] = kinds;
  const tool = useDesk((state) => state.tool);
  const planeId = useDesk((state) => state.planeId);
  const isTileTool = planeId !== null && (TILE_TOOLS as readonly string[]).includes(tool);
  return (
    <div className="h-full overflow-hidden px-3 pt-1">
      {isTileTool ? (
        <PlaneBay id={planeId!} />
      ) : tool === 'light' ? (
        <LightToolBay />
      ) : tool === 'meter' ? (
        <MeterBay />
      ) : tool === 'scatter' ? (
        <ScatterBay />
      ) : kinds.size > 1 ? (
        <MixedBay count={selection.length} />
      ) : kind === 'lights' ? (
        <LightBay ids={ids} />
      ) : kind === 'lamps' ? (
        <LampBay ids={ids} />
      ) : kind === 'sprites' ? (
        <SpriteBay ids={ids} />
      ) : kind === 'occluders' ? (
        <OccluderBay ids={ids} />
      ) : kind === 'planes' ? (
        <PlaneBay id={ids[0]} />
      ) : kind === 'cues' ? (
        <CueBay id={ids[0]} />
      ) : (
        <SceneBay />
      )}
    </div>
  );
}

/** Things of several kinds: what can be done with all of them. */
function MixedBay({ count }: { count: number }) {
  const hasLights = useScene((state) => state.selection.some(({ collection }) => collection === 'lights'));
  return (
    <BayColumns
      title={
        <p className="text-large">
          {count} things{' '}
          <span className="text-plain text-ash">of several kinds; pick one kind to change it</span>
        </p>
      }
    >
      <Column title="Copies">
        <Row label="">
          <CommandKey id="duplicate">Duplicate</CommandKey>
          <CommandKey id="copy">Copy</CommandKey>
          <CommandKey id="delete">Delete</CommandKey>
        </Row>
        {hasLights && (
          <Row label="">
            <CommandKey id="make-luminaire">Make a luminaire</CommandKey>
          </Row>
        )}
        <Row label="">
          <CommandKey id="tool-hang">Hang on a bracket</CommandKey>
        </Row>
      </Column>
      <ManyColumn />
    </BayColumns>
  );
}
