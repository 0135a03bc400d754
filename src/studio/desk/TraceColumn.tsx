'use client';
import { useMemo, useState } from 'react';
import { frameOf } from '@/core/art/frames';
import { traceAlpha } from '@/core/geometry/trace';
import { newOccluder } from '@/core/scene/records/occluder';
import { change, create } from '@/core/scene/edits';
import { Column } from '../controls/Column';
import { Key, Row } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { usePictureTick, useScene, useStudio } from '../context';
import { followArtwork, keepWithArtwork, ownOccluders } from '../store/occluder-owners';
import { freshId } from '../store/studio';

/** From this coverage on a pixel stops light. */
const TRACE_ALPHA = 128;

/** One press takes the sprite's outline from the alpha of the frame that it stands at; the tolerance says how far it may stray, with its points counted. */
export function TraceColumn({ spriteId }: { spriteId: string }) {
  const studio = useStudio();
  const [tolerance, setTolerance] = useState(1);
  const artworkId = useScene((state) => state.scene.sprites[spriteId]?.artworkId);
  const frame = useScene(({ scene }) => {
    const sprite = scene.sprites[spriteId];
    const artwork = sprite && scene.artworks[sprite.artworkId ?? ''];
    return artwork ? frameOf(artwork, sprite.frame) : null;
  });
  const own = useScene((state) =>
    Object.entries(state.scene.occluders).flatMap(([id, occluder]) =>
      occluder.spriteId === spriteId ? [[id, occluder] as const] : [],
    ),
  );
  const brought = useScene(({ scene }) => scene.artworks[artworkId ?? '']?.occluders.length ?? 0);
  const isOwn = useScene(({ scene }) => scene.sprites[spriteId]?.ownOccluders ?? false);
  const aside =
    own.length > 0
      ? `${own.length} of its own`
      : brought > 0 && !isOwn
        ? `${brought} of its artwork`
        : 'none yet';
  const tick = usePictureTick();
  const outlines = useMemo(() => {
    // The picture may arrive after the sprite was picked.
    void tick;
    const pixels = artworkId ? studio.pictures.source(artworkId) : null;
    if (!pixels || !frame) return null;
    const { widthPx, heightPx, left, top, shiftX, shiftY } = frame;
    const alpha = Uint8Array.from({ length: widthPx * heightPx }, (_, i) => {
      const [x, y] = [left + (i % widthPx), top + Math.floor(i / widthPx)];
      return pixels.rgba[4 * (y * pixels.width + x) + 3];
    });
    const outlines = traceAlpha(alpha, widthPx, heightPx, TRACE_ALPHA, tolerance);
    return outlines.map((points) => points.map((v, i) => v + (i % 2 === 0 ? shiftX : shiftY)));
  }, [studio, artworkId, frame, tolerance, tick]);
  const points = outlines?.reduce((sum, outline) => sum + outline.length / 2, 0) ?? 0;

  const trace = () => {
    if (!outlines || outlines.length === 0) return studio.say('This artwork has no opaque pixels to trace.');
    const [last] = own;
    const sprite = studio.scene.sprites[spriteId];
    const edit = last
      ? change(studio.scene, 'occluders', last[0], { outlines })
      : create(
          'occluders',
          freshId(),
          newOccluder({
            name: `${sprite.name} outline`,
            planeId: sprite.planeId,
            spriteId,
            kind: 'closed',
            outlines,
          }),
        );
    // What is traced for one sprite holds in the place of what its artwork brings.
    const freed = brought > 0 ? change(studio.scene, 'sprites', spriteId, { ownOccluders: true }) : null;
    const edits = [edit, freed].filter((one) => one !== null);
    studio.scenes.transact({ label: 'Trace the outline', edits });
  };

  return (
    <Column title="Occluder" aside={aside}>
      {brought > 0 && (
        <Row label="">
          {isOwn ? (
            <Key onClick={() => followArtwork(studio, spriteId)}>As the artwork again</Key>
          ) : (
            <Key title="To be changed for this sprite alone" onClick={() => ownOccluders(studio, spriteId)}>
              Make its own
            </Key>
          )}
        </Row>
      )}
      <ValueField
        label="Tolerance"
        value={tolerance}
        low={0}
        high={8}
        step={0.1}
        digits={1}
        unit="px"
        initial={1}
        onPreview={setTolerance}
        onCommit={setTolerance}
        onCancel={() => undefined}
      />
      <Row label="Points">
        <span className="figure">{outlines === null ? '…' : points}</span>
      </Row>
      <Row label="">
        <Key onClick={trace}>{own.length > 0 ? 'Trace again' : 'Trace its outline'}</Key>
      </Row>
      {own.length > 0 && (
        <Row label="">
          <Key
            title="Every sprite of the artwork has it then"
            onClick={() => keepWithArtwork(studio, spriteId)}
          >
            Keep with the artwork
          </Key>
        </Row>
      )}
      {own.map(([id, { name }]) => (
        <button
          key={id}
          type="button"
          className="cursor-pointer truncate text-right text-brass"
          onClick={() => studio.pick({ collection: 'occluders', id })}
        >
          {name}
        </button>
      ))}
    </Column>
  );
}
