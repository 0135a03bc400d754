'use client';
import { framesIn } from '@/core/art/frames';
import { cellOf, DIAGONAL, FLIP_X, FLIP_Y, tileOf } from '@/core/art/tiles';
import type { Artwork } from '@/core/scene/records/artwork';
import type { TileGrid } from '@/core/scene/records/plane';
import { change } from '@/core/scene/edits';
import { useGesture } from '../controls/FieldOf';
import { ShadeFields } from '../controls/ShadeFields';
import { FramePicture } from '../controls/FramePicture';
import { FileKey } from '../controls/FileKey';
import { Column } from '../controls/Column';
import { Key, Row, Switch } from '../controls/small';
import { ToolKey } from '../controls/ToolKey';
import { ValueField } from '../controls/ValueField';
import { useDesk, useScene, useStudio } from '../context';
import { commandOf, TOOL_WORDS } from '../commands/all-commands';
import { TILE_TOOLS } from '../store/desk-store';
import { readTiles, takeTilesAway } from '../store/tile-plane';

/** The tiles of a plane: which sheet, on what grid, what is laid, and whether they stop light. */
export function TileBay({ planeId }: { planeId: string }) {
  const studio = useStudio();
  const tiles = useScene(({ scene }) => scene.planes[planeId]?.tiles ?? null);
  const artwork = useScene(({ scene }) => (tiles ? (scene.artworks[tiles.artworkId] ?? null) : null));
  const gesture = useGesture(studio, 'Walls of tiles');
  if (!tiles || !artwork) return null;
  const edits = (fields: Partial<TileGrid>) =>
    [change(studio.scenes.kept, 'planes', planeId, { tiles: { ...tiles, ...fields } })].filter(
      (edit) => edit !== null,
    );
  const set = (label: string, fields: Partial<TileGrid>) =>
    studio.set(label, 'planes', planeId, { tiles: { ...tiles, ...fields } });
  return (
    <>
      <Column title="Tiles" aside={artwork.name}>
        <Palette artwork={artwork} />
      </Column>
      <Column title="Paint">
        <div
          role="toolbar"
          aria-label="Tile tools"
          className="mb-[6px] grid shrink-0 auto-rows-[24px] grid-cols-2 gap-1"
        >
          {TILE_TOOLS.map((name) => (
            <TileToolKey key={name} name={name} planeId={planeId} />
          ))}
        </div>
        <CsvKeys planeId={planeId} />
      </Column>
      <Column title="Grid">
        {(
          [
            ['cellWidthPx', 'Cell width', 1],
            ['cellHeightPx', 'Cell height', 1],
            ['x', 'X', -4096],
            ['y', 'Y', -4096],
          ] as const
        ).map(([field, label, low]) => (
          <GridField
            key={field}
            label={label}
            value={tiles[field]}
            low={low}
            onCommit={(v) => set(label, { [field]: v })}
          />
        ))}
        <Switch
          label="Block light"
          on={tiles.blocks}
          words={['yes', 'no']}
          onChange={(blocks) => set('Walls of tiles', { blocks })}
        />
        <Row label="">
          <Key onClick={() => takeTilesAway(studio, planeId)}>Delete all tiles</Key>
        </Row>
      </Column>
      {tiles.blocks && (
        <Column title="Walls">
          <ShadeFields
            shade={tiles}
            closed
            onPreview={(fields) => gesture.preview(edits(fields))}
            onCommit={(fields) => gesture.commit(edits(fields))}
            onCancel={gesture.cancel}
          />
        </Column>
      )}
    </>
  );
}

function GridField({
  label,
  value,
  low,
  onCommit,
}: {
  label: string;
  value: number;
  low: number;
  onCommit(value: number): void;
}) {
  return (
    <ValueField
      label={label}
      value={value}
      low={low}
      high={low < 0 ? 4096 : 256}
      whole
      unit="px"
      onPreview={() => undefined}
      onCommit={onCommit}
      onCancel={() => undefined}
    />
  );
}

function TileToolKey({ name, planeId }: { name: (typeof TILE_TOOLS)[number]; planeId: string }) {
  const studio = useStudio();
  const pressed = useDesk((state) => state.tool === name);
  return (
    <ToolKey
      words={TOOL_WORDS[name].words}
      command={`tool-${name}`}
      title={TOOL_WORDS[name].hint}
      pressed={pressed}
      onClick={() => {
        studio.desk.setState({ planeId });
        commandOf(`tool-${name}`).run(studio);
      }}
    />
  );
}

/** Every tile of the sheet; the chosen one as it will lie. */
function Palette({ artwork }: { artwork: Artwork }) {
  const studio = useStudio();
  const chosen = tileOf(useDesk((state) => state.tile));
  return (
    <ul
      className="flex max-h-[150px] flex-wrap content-start gap-[3px] overflow-y-auto"
      aria-label="Tiles of the sheet"
    >
      {framesIn(artwork).map((frame, i) => {
        const isChosen = chosen?.frame === i;
        return (
          <li key={i}>
            <button
              type="button"
              aria-label={`Tile ${i}${frame.name ? `, ${frame.name}` : ''}`}
              aria-pressed={isChosen}
              className="flex size-[34px] cursor-pointer items-center justify-center border border-line bg-soot aria-pressed:border-verdigris"
              onClick={() =>
                studio.desk.setState(({ tool, tile }) => ({
                  tile: cellOf({ frame: i, orientation: isChosen ? (tileOf(tile)?.orientation ?? 0) : 0 }),
                  tool: tool === 'fill-rectangle' || tool === 'fill' ? tool : 'paint',
                }))
              }
            >
              <span style={{ transform: isChosen ? orientationStyle(chosen.orientation) : undefined }}>
                <FramePicture artwork={artwork} frame={frame} widthPx={30} heightPx={30} />
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

/** The orientation of a cell as a transform: the axes are exchanged first, then flipped. */
function orientationStyle(orientation: number): string {
  const flips = `scale(${orientation & FLIP_X ? -1 : 1}, ${orientation & FLIP_Y ? -1 : 1})`;
  return orientation & DIAGONAL ? `${flips} matrix(0, 1, 1, 0, 0, 0)` : flips;
}

function CsvKeys({ planeId }: { planeId: string }) {
  const studio = useStudio();
  return ([0, 1] as const).map((first) => (
    <Row key={first} label={first === 0 ? 'Import CSV' : ''}>
      <FileKey
        accept=".csv,text/csv"
        name={`Import CSV (first tile ${first})`}
        title={
          first === 0
            ? 'A table of tile numbers; the first tile is 0, empty is blank or -1'
            : 'A table of tile numbers; the first tile is 1, empty is blank or 0'
        }
        onFiles={([file]) => void readTiles(studio, planeId, file, first)}
      >
        first tile {first}
      </FileKey>
    </Row>
  ));
}
