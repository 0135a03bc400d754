'use client';
import { BayColumns } from '../controls/BayColumns';
import { SettingField } from '../controls/SettingField';
import { Column } from '../controls/Column';
import { Key, Row, Switch } from '../controls/small';
import { useDesk, useScene, useStudio } from '../context';
import type { Scatter } from '../store/desk-store';

/** What the scatter tool places, and how. */
export function ScatterBay() {
  const studio = useStudio();
  const scatter = useDesk((state) => state.scatter);
  const names = useScene(({ scene }) => scatter.artworkIds.flatMap((id) => scene.artworks[id]?.name ?? []));
  const set = (fields: Partial<Scatter>) =>
    studio.desk.setState((state) => ({ scatter: { ...state.scatter, ...fields } }));
  return (
    <BayColumns
      title={
        <p className="text-large">
          Scatter{' '}
          <span className="text-plain text-ash">
            {names.length === 0
              ? 'choose artworks on the shelf, with Ctrl for several'
              : `${names.join(', ')}: drag a rectangle on the stage`}
          </span>
        </p>
      }
    >
      <Column title="Number">
        <SettingField
          label="Number"
          value={scatter.count}
          low={1}
          high={400}
          whole
          initial={12}
          onChange={(count) => set({ count })}
        />
        <SettingField
          label="Spacing"
          value={scatter.spacingPx}
          low={0}
          high={200}
          digits={0}
          unit="px"
          initial={8}
          onChange={(spacingPx) => set({ spacingPx })}
        />
        <SettingField
          label="Seed"
          value={scatter.seed}
          low={0}
          high={9999}
          whole
          onChange={(seed) => set({ seed })}
        />
        <Row label="">
          <Key onClick={() => studio.desk.setState({ panel: 'shelf', shelfTab: 'artworks' })}>
            Choose artworks
          </Key>
        </Row>
      </Column>
      <Column title="Variation">
        <SettingField
          label="Size"
          value={scatter.sizeShare}
          low={0}
          high={0.9}
          step={0.05}
          initial={0}
          onChange={(sizeShare) => set({ sizeShare })}
        />
        <SettingField
          label="Turn"
          value={scatter.turnDeg}
          low={0}
          high={180}
          digits={0}
          unit="°"
          initial={0}
          onChange={(turnDeg) => set({ turnDeg })}
        />
        <Switch
          label="Flipped"
          on={scatter.flips}
          words={['by chance', 'never']}
          onChange={(flips) => set({ flips })}
        />
      </Column>
    </BayColumns>
  );
}
