'use client';
import { BayColumns } from '../controls/BayColumns';
import { Column, Key, Row } from '../controls/small';
import { useDesk, useScene, useStudio } from '../context';
import { commandOf } from '../commands/all-commands';
import { TILE_TOOLS } from '../store/desk-store';
import { LightBay } from './LightBay';
import { LightToolBay } from './LightToolBay';
import { CueBay } from './CueBay';
import { LampBay } from './LampBay';
import { ManyColumn } from './ManyColumn';
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
    <div className="relative h-full overflow-hidden px-3 pt-1 [&>div]:flex [&>div]:h-full [&>div]:flex-col">
      {isTileTool ? (
        <PlaneBay id={planeId!} />
      ) : tool === 'light' ? (
        <LightToolBay />
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
  const studio = useStudio();
  const hasLights = useScene((state) => state.selection.some(({ collection }) => collection === 'lights'));
  const key = (id: string, words: string) => <Key onClick={() => commandOf(id).run(studio)}>{words}</Key>;
  return (
    <div>
      <p className="mb-1 text-large">
        {count} things{' '}
        <span className="text-plain text-ash">of several kinds; pick one kind to change it</span>
      </p>
      <BayColumns>
        <Column title="Copies">
          <Row label="">
            {key('duplicate', 'Duplicate')}
            {key('copy', 'Copy')}
            {key('delete', 'Delete')}
          </Row>
          {hasLights && <Row label="">{key('make-luminaire', 'Make a luminaire')}</Row>}
          <Row label="">{key('tool-hang', 'Hang on a bracket')}</Row>
        </Column>
        <ManyColumn />
      </BayColumns>
    </div>
  );
}
