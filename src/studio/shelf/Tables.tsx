'use client';
/** Lookup tables on the shelf: each with what it makes of hues and greys; the colours of the scene go through the chosen one. */
import { useMemo } from 'react';
import type { ColourTable } from '@/core/finish/colour-table';
import { tableSwatch } from '@/core/finish/table-swatch';
import { inOrder, settingsOf } from '@/core/scene/document';
import { ImagePicture } from '../controls/ImagePicture';
import { usePictureTick, useScene, useStudio } from '../context';
import { takeTable } from '../store/look-tables';
import { drag } from './drops';

export function Tables() {
  const studio = useStudio();
  const tables = useScene(({ scene }) => scene.tables);
  const taken = useScene(({ scene }) => settingsOf(scene).tableId);
  usePictureTick();
  const own = inOrder(tables);
  return (
    <ul aria-label="Lookup tables" className="flex flex-wrap gap-2 overflow-y-auto">
      {own.map(([id, { name }]) => (
        <TableItem
          key={id}
          id={id}
          name={name}
          table={studio.pictures.tables.source(id)}
          fault={studio.pictures.tables.faultOf(id)}
          isTaken={id === taken}
          onTake={() => takeTable(studio, id === taken ? null : id)}
        />
      ))}
      {own.length === 0 && (
        <li className="p-2 text-ash">
          No lookup tables yet: bring in a .cube file, or a PNG of n squares of n × n px.
        </li>
      )}
    </ul>
  );
}

function TableItem({
  id,
  name,
  table,
  fault,
  isTaken,
  onTake,
}: {
  id: string;
  name: string;
  table: ColourTable | null;
  /** Why it cannot be read. */
  fault: string | null;
  isTaken: boolean;
  onTake(): void;
}) {
  const swatch = useMemo(() => (table ? tableSwatch(table) : null), [table]);
  return (
    <li>
      <button
        type="button"
        draggable
        aria-label={name}
        aria-pressed={isTaken}
        title={fault ?? (isTaken ? `${name}: press to take none` : name)}
        className="flex h-[84px] w-[92px] cursor-pointer flex-col border border-line bg-soot p-1 aria-pressed:border-verdigris"
        onDragStart={drag('table', id)}
        onClick={onTake}
      >
        <span className="flex min-h-0 w-full flex-1 items-center justify-center">
          {swatch && (
            <ImagePicture image={swatch} name={`What ${name} does to colours`} className="h-full w-full" />
          )}
          {fault !== null && <span className="text-small text-signal">cannot be read</span>}
        </span>
        <span className="w-full truncate text-left text-small">{name}</span>
      </button>
    </li>
  );
}
