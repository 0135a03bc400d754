/** Painting tiles on the current plane: cell by cell, in rectangles, over cells that touch; erasing them, and picking one. */
import { cellAt, tileExtent, tileOf } from '@/core/art/tiles';
import { cellEdits, cellsAlike, cellsOnLine, type CellBox, type CellChange } from '@/core/art/tile-edits';
import { parallaxShift } from '@/core/moment/standing';
import { settingsOf } from '@/core/scene/document';
import type { Plane, TileGrid } from '@/core/scene/records/plane';
import type { Overlay } from '../surface/overlay';
import type { TileToolName } from '../store/desk-store';
import type { Gesture } from '../store/scene-store';
import type { Studio } from '../store/studio';
import type { Tool, ToolEvent } from './tool';

type Cell = readonly [number, number];

interface Stroke {
  gesture: Gesture;
  from: Cell;
  at: Cell;
  cells: Map<string, CellChange>;
}

/** Cells around the gate that may be filled on an empty plane. */
const FILL_MARGIN = 2;

export class TileTool implements Tool {
  private stroke: Stroke | null = null;
  private pointer: Cell | null = null;

  constructor(
    private readonly studio: Studio,
    private readonly way: TileToolName,
  ) {}

  down(event: ToolEvent): void {
    const { studio, way } = this;
    const cell = this.cellUnder(event);
    if (!cell) return studio.say('This plane has no tiles: choose a tile sheet for it in its bay.');
    if (way === 'pick-tile') return this.pickTile(cell);
    if (way === 'fill') return this.fill(cell);
    const gesture = studio.scenes.gesture(way === 'erase' ? 'Erase tiles' : 'Paint tiles');
    this.stroke = { gesture, from: cell, at: cell, cells: new Map() };
    this.drawTo(cell);
  }

  move(event: ToolEvent): void {
    const cell = this.cellUnder(event);
    this.pointer = cell;
    if (this.stroke && cell && (cell[0] !== this.stroke.at[0] || cell[1] !== this.stroke.at[1]))
      this.drawTo(cell);
  }

  up(): void {
    this.stroke?.gesture.commit();
    this.stroke = null;
  }

  cancel(): boolean {
    const wasOpen = this.stroke !== null;
    this.stroke?.gesture.cancel();
    this.stroke = null;
    return wasOpen;
  }

  draw(overlay: Overlay): void {
    const grid = this.grid();
    if (!grid || !this.pointer) return;
    const { from, at } =
      this.way === 'fill-rectangle' && this.stroke ? this.stroke : { from: this.pointer, at: this.pointer };
    const [left, right] = [Math.min(from[0], at[0]), Math.max(from[0], at[0]) + 1];
    const [top, bottom] = [Math.min(from[1], at[1]), Math.max(from[1], at[1]) + 1];
    const place = (column: number, row: number): [number, number] => [
      grid.x + column * grid.tiles.cellWidthPx,
      grid.y + row * grid.tiles.cellHeightPx,
    ];
    overlay.path(
      [place(left, top), place(right, top), place(right, bottom), place(left, bottom)],
      true,
      true,
    );
    if (right - left > 1 || bottom - top > 1)
      overlay.words(...place(right, bottom), `${right - left} × ${bottom - top}`);
  }

  hint(): string {
    switch (this.way) {
      case 'paint':
        return 'Drag to paint the chosen tile; H and V flip it, T turns it, M picks one';
      case 'fill-rectangle':
        return 'Drag a rectangle to fill it with the chosen tile';
      case 'fill':
        return 'Click to fill all cells of the same tile that touch';
      case 'erase':
        return 'Drag to erase tiles';
      case 'pick-tile':
        return 'Click a tile to paint more of it';
    }
  }

  private grid(): { planeId: string; plane: Plane; tiles: TileGrid; x: number; y: number } | null {
    const planeId = this.studio.planeId();
    const plane = this.studio.scene.planes[planeId];
    if (!plane?.tiles) return null;
    const [dx, dy] = parallaxShift(this.studio.scene, plane);
    return { planeId, plane, tiles: plane.tiles, x: plane.tiles.x + dx, y: plane.tiles.y + dy };
  }

  private cellUnder({ x, y }: ToolEvent): Cell | null {
    const grid = this.grid();
    if (!grid || grid.plane.locked) return null;
    const { cellWidthPx, cellHeightPx } = grid.tiles;
    return [Math.floor((x - grid.x) / cellWidthPx), Math.floor((y - grid.y) / cellHeightPx)];
  }

  /** The number that is painted. */
  private get cell(): number {
    return this.way === 'erase' ? 0 : this.studio.desk.getState().tile;
  }

  private drawTo(cell: Cell): void {
    const stroke = this.stroke!;
    const { gesture, from, at, cells } = stroke;
    if (this.way === 'fill-rectangle') {
      cells.clear();
      for (let y = Math.min(from[1], cell[1]); y <= Math.max(from[1], cell[1]); y++)
        for (let x = Math.min(from[0], cell[0]); x <= Math.max(from[0], cell[0]); x++)
          cells.set(`${x} ${y}`, [x, y, this.cell]);
    } else for (const [x, y] of cellsOnLine(...at, ...cell)) cells.set(`${x} ${y}`, [x, y, this.cell]);
    stroke.at = cell;
    gesture.preview(cellEdits(this.studio.scenes.kept, this.studio.planeId(), cells.values()));
  }

  private fill([column, row]: Cell): void {
    const { studio } = this;
    const planeId = studio.planeId();
    const cells = cellsAlike(studio.scene, planeId, column, row, this.fillBox([column, row]));
    const edits = cellEdits(
      studio.scene,
      planeId,
      cells.map(([x, y]) => [x, y, this.cell] as const),
    );
    studio.scenes.transact({ label: 'Paint tiles', edits });
  }

  /** Filling ends where the plane's tiles and the gate end. */
  private fillBox([column, row]: Cell): CellBox {
    const { tiles, x, y, planeId } = this.grid()!;
    const { gateX, gateY, gateWidthPx, gateHeightPx } = settingsOf(this.studio.scene);
    const extent = tileExtent(this.studio.scene, planeId);
    const [w, h] = [tiles.cellWidthPx, tiles.cellHeightPx];
    return {
      left: Math.min(column, extent?.left ?? column, Math.floor((gateX - x) / w) - FILL_MARGIN),
      top: Math.min(row, extent?.top ?? row, Math.floor((gateY - y) / h) - FILL_MARGIN),
      right: Math.max(
        column,
        extent?.right ?? column,
        Math.ceil((gateX + gateWidthPx - x) / w) + FILL_MARGIN,
      ),
      bottom: Math.max(row, extent?.bottom ?? row, Math.ceil((gateY + gateHeightPx - y) / h) + FILL_MARGIN),
    };
  }

  private pickTile([column, row]: Cell): void {
    const { studio } = this;
    const cell = cellAt(studio.scene, studio.planeId(), column, row);
    if (!tileOf(cell)) return studio.say('There is no tile here to pick.');
    studio.desk.setState({ tile: cell, tool: 'paint' });
  }
}
