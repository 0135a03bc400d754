'use client';
import type { Cells } from '@/core/relief/recipe';
import { framesOf } from '@/core/relief/frames';
import { wordsOf } from '@/core/faults';
import { Column } from '../../controls/Column';
import { Row, Switch } from '../../controls/small';
import { ValueField } from '../../controls/ValueField';
import { useScene, useStudio } from '../../context';
import { RecipeValue, type RecipeControls } from './recipe-controls';

const ONE: Cells = { columns: 1, rows: 1, marginPx: 0, gapPx: 0 };

/** Clockwise from the right. */
const UPWARD_DEG = -90;

/** The cells of a sheet, each of which is made by itself, and the generated rim. */
export function SheetColumn({ artworkId, controls }: { artworkId: string; controls: RecipeControls }) {
  const studio = useStudio();
  const artwork = useScene((state) => state.scene.artworks[artworkId]);
  const cells = artwork?.cells ?? ONE;
  const set = (fields: Partial<Cells>) => {
    const next = { ...cells, ...fields };
    try {
      framesOf(artwork.widthPx, artwork.heightPx, next);
    } catch (thrown) {
      return studio.say(wordsOf(thrown));
    }
    const isOne = next.columns === 1 && next.rows === 1 && next.marginPx === 0;
    studio.set('Cells', 'artworks', artworkId, { cells: isOne ? null : next });
  };
  const cell = (label: string, field: keyof Cells, low: number, high: number, unit = '') => (
    <ValueField
      label={label}
      value={cells[field]}
      low={low}
      high={high}
      digits={0}
      unit={unit}
      onPreview={() => undefined}
      onCommit={(value) => set({ [field]: Math.round(value) })}
      onCancel={() => undefined}
    />
  );
  const { rim } = controls.recipe;
  const isAllRound = rim.sideDeg === null;
  return (
    <Column title="Sheet and rim">
      {artwork && artwork.frames.length > 0 ? (
        <Row label="Frames">
          <button
            type="button"
            className="cursor-pointer text-brass"
            title="Each is made by itself; cut it otherwise on the Art bench"
            onClick={() => studio.desk.setState({ bench: 'art' })}
          >
            {artwork.frames.length}, each by itself
          </button>
        </Row>
      ) : (
        <>
          {cell('Columns', 'columns', 1, 64)}
          {cell('Rows', 'rows', 1, 64)}
          {cell('Margin', 'marginPx', 0, 64, 'px')}
          {cell('Gap', 'gapPx', 0, 64, 'px')}
        </>
      )}
      <RecipeValue
        label="Rim"
        value={rim.widthPx}
        low={0.5}
        high={64}
        step={0.5}
        digits={1}
        unit="px"
        logarithmic
        initial={3}
        controls={controls}
        set={(from, widthPx) => ({ ...from, rim: { ...from.rim, widthPx } })}
      />
      <RecipeValue
        label="Hardness"
        value={rim.hardness}
        low={0}
        high={1}
        step={0.05}
        initial={0.5}
        controls={controls}
        set={(from, hardness) => ({ ...from, rim: { ...from.rim, hardness } })}
      />
      <Switch
        label="Rim from"
        on={!isAllRound}
        words={['one side', 'all round']}
        onChange={(on) =>
          controls.keep(
            { ...controls.recipe, rim: { ...rim, sideDeg: on ? UPWARD_DEG : null } },
            'Side of the rim',
          )
        }
      />
      {!isAllRound && (
        <RecipeValue
          label="Side"
          value={rim.sideDeg ?? UPWARD_DEG}
          low={-180}
          high={180}
          step={5}
          digits={0}
          unit="°"
          initial={UPWARD_DEG}
          controls={controls}
          set={(from, sideDeg) => ({ ...from, rim: { ...from.rim, sideDeg } })}
        />
      )}
    </Column>
  );
}
