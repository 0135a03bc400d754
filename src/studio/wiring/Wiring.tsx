'use client';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useMemo, useRef, type PointerEvent } from 'react';
import { useDesk, useScene, useStudio } from '../context';
import { PanelHead } from '../controls/PanelHead';
import { Select } from '../controls/Select';
import { CircuitMark } from '../controls/CircuitMark';
import { PaintDrag } from '../store/paint-drag';
import { columnEdits, wiringColumns, type WiringColumn } from '../lights/wiring-columns';
import {
  isHeading,
  WIRED,
  type WiredName,
  WIRED_WORDS,
  WIRING_SHOWS,
  wiringRows,
  type WiringRow,
  type WiringShows,
} from '../store/wiring-rows';
import { CELL_PX, WiringLine } from './WiringLine';

const ROW_PX = 22;
const SHOWS_WORDS: Record<WiringShows, string> = {
  all: 'Everything',
  ...WIRED_WORDS,
  picked: 'What is picked',
};

/** Lights, lamps, planes and sprites against circuits, answers and shadows; what is dragged over is set. */
export function Wiring() {
  const studio = useStudio();
  const query = useDesk((state) => state.wiringQuery);
  const shows = useDesk((state) => state.wiringShows);
  const rows = useScene(({ scene, selection }) => wiringRows(scene, { query, shows, picked: selection }));
  const circuits = useScene(({ scene }) => scene.circuits);
  const columns = useMemo(() => wiringColumns(circuits), [circuits]);
  return (
    <aside
      aria-label="Wiring"
      data-layer
      className="floating absolute inset-y-0 right-0 z-10 flex max-w-full flex-col border-l border-rail bg-slate"
    >
      <PanelHead title="Wiring">
        <input
          type="search"
          aria-label="Find a row of the wiring"
          placeholder="Find by name"
          className="field w-[120px]"
          value={query}
          onChange={(event) => studio.desk.setState({ wiringQuery: event.currentTarget.value })}
        />
        <Select
          label="What the wiring shows"
          value={shows}
          options={WIRING_SHOWS.map((one) => [one, SHOWS_WORDS[one]] as const)}
          onChange={(one) => studio.desk.setState({ wiringShows: one })}
        />
        <span className="min-w-0 flex-1 truncate text-right text-ash">drag over cells to set many</span>
      </PanelHead>
      <Head columns={columns} rows={rows} />
      <Rows columns={columns} rows={rows} />
    </aside>
  );
}

/** The names of the columns; a press sets all rows that are shown. */
function Head({ columns, rows }: { columns: readonly WiringColumn[]; rows: readonly WiringRow[] }) {
  const studio = useStudio();
  const names = rows.filter((row): row is WiredName => !isHeading(row));
  const setAll = (column: WiringColumn) => {
    const { scene } = studio;
    const own = names.filter(({ collection }) => column.isFor(collection));
    const isOn = !own.every((name) => !column.wants(column.stateOf(scene, name)));
    studio.scenes.transact({ label: column.title, edits: columnEdits(scene, column, own, isOn) });
  };
  const circuitCount = columns.filter(({ group }) => group === 'circuits').length;
  return (
    <div className="flex h-[84px] shrink-0 items-end border-b border-rail px-2">
      <span className="heading-key w-[150px] shrink-0 pb-1">Name</span>
      {columns.map((column, i) => (
        <button
          key={column.key}
          type="button"
          aria-label={`${column.title}: all ${names.length} rows`}
          title={`${column.title}: a press sets all rows that are shown`}
          style={{ width: CELL_PX }}
          className={`flex h-full shrink-0 cursor-pointer flex-col items-center justify-end gap-1 hover:bg-iron ${i === circuitCount ? 'ml-3' : ''} ${column.group === 'shadows' ? 'ml-3' : ''}`}
          onClick={() => setAll(column)}
        >
          <span className="min-h-0 flex-1 rotate-180 overflow-hidden text-left text-small whitespace-nowrap text-ash [writing-mode:vertical-rl]">
            {column.title}
          </span>
          {column.group === 'circuits' && <CircuitMark index={i} isOn widthPx={18} />}
        </button>
      ))}
      <span className="heading-key ml-3 w-[200px] shrink-0 pb-1">Reaches from, to</span>
    </div>
  );
}

function Rows({ columns, rows }: { columns: readonly WiringColumn[]; rows: readonly WiringRow[] }) {
  const scroller = useRef<HTMLDivElement>(null);
  const paint = usePaint(columns);
  // eslint-disable-next-line react-hooks/incompatible-library
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_PX,
    getItemKey: (i) => {
      const row = rows[i];
      return isHeading(row) ? row.heading : `${row.collection}/${row.id}`;
    },
    overscan: 6,
  });
  return (
    <div ref={scroller} className="min-h-0 flex-1 overflow-y-auto px-2 [scrollbar-width:thin]" {...paint}>
      {rows.length === 0 && <p className="py-2 text-ash">Nothing is called that, or nothing is picked.</p>}
      <div className="relative" style={{ height: list.getTotalSize() }}>
        {list.getVirtualItems().map(({ key, index, start }) => {
          const row = rows[index];
          return (
            <div key={key} className="absolute inset-x-0 flex" style={{ top: start, height: ROW_PX }}>
              {isHeading(row) ? (
                <h3 className="heading w-full">
                  <span>{WIRED_WORDS[row.heading]}</span>
                  <span className="figure">{row.count}</span>
                </h3>
              ) : (
                <WiringLine name={row} columns={columns} />
              )}
            </div>
          );
        })}
      </div>
    </div>
  );
}

/** A press on a cell switches it, and dragged over others it sets them to the same. */
function usePaint(columns: readonly WiringColumn[]) {
  const studio = useStudio();
  const open = useRef<{ drag: PaintDrag; isOn: boolean; group: WiringColumn['group'] } | null>(null);
  const cellAt = (target: Element | null) => {
    const cell = target?.closest<HTMLElement>('[data-cell]')?.dataset.cell;
    const [rowCollection, id, key] = cell?.split(' ') ?? [];
    const collection = WIRED.find((one) => one === rowCollection);
    const column = columns.find((one) => one.key === key);
    return cell && collection && column ? { cell, column, name: { collection, id } } : null;
  };
  const over = (target: Element | null) => {
    const found = cellAt(target);
    if (!open.current || found?.column.group !== open.current.group) return;
    const { drag, isOn } = open.current;
    drag.over(found.cell, (scene) => found.column.edits(scene, found.name, isOn));
  };
  return {
    onPointerDown(event: PointerEvent<HTMLDivElement>) {
      const found = cellAt(event.target as Element);
      if (!found || event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      const { column, name } = found;
      const isOn = column.wants(column.stateOf(studio.scene, name));
      open.current = { drag: new PaintDrag(studio.scenes, column.title), isOn, group: column.group };
      over(event.target as Element);
    },
    onPointerMove(event: PointerEvent) {
      if (open.current) over(document.elementFromPoint(event.clientX, event.clientY));
    },
    onPointerUp() {
      open.current?.drag.end();
      open.current = null;
    },
    onPointerCancel() {
      open.current?.drag.cancel();
      open.current = null;
    },
  };
}
