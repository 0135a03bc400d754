'use client';
import { useStore } from 'zustand';
import { bracketAt } from '@/core/art/brackets';
import { figureSize } from '@/core/art/frames';
import { useScene, useStudio } from '../context';
import { FieldOf } from '../controls/FieldOf';
import { NameField } from '../controls/NameField';
import { Column } from '../controls/Column';
import { Key, Row } from '../controls/small';
import { ValueField } from '../controls/ValueField';
import { changeBracket, deleteBracket, placeBracket, setArtwork } from '../store/art-edits';

/** Where the figure stands: the point that is put in the scene, and its foot on the ground. */
export function StandColumn({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const artwork = useScene((state) => state.scene.artworks[artworkId]);
  if (!artwork) return null;
  const { widthPx, heightPx } = figureSize(artwork);
  const pivot = (pivotX: number, pivotY: number) =>
    setArtwork(studio, 'Move the pivot', artworkId, { pivotX, pivotY });
  const place = (label: string, field: 'pivotX' | 'pivotY', high: number) => (
    <FieldOf
      collection="artworks"
      ids={[artworkId]}
      field={field}
      label={label}
      low={0}
      high={high}
      step={0.5}
      digits={1}
      unit="px"
    />
  );
  const foot = artwork.foot.length === 0 ? 'none' : artwork.foot.length === 2 ? 'a point' : 'a line';
  return (
    <Column title="Stand" aside={`${widthPx} × ${heightPx} px`}>
      {place('Pivot x', 'pivotX', widthPx)}
      {place('Pivot y', 'pivotY', heightPx)}
      <Row label="Pivot at">
        <Key onClick={() => pivot(widthPx / 2, heightPx / 2)}>Middle</Key>
        <Key onClick={() => pivot(widthPx / 2, heightPx)}>Bottom</Key>
      </Row>
      <Row label="Foot">
        <span className="text-ash">{foot}</span>
        {artwork.foot.length > 0 && (
          <Key onClick={() => setArtwork(studio, 'Take the foot away', artworkId, { foot: [] })}>×</Key>
        )}
      </Row>
      <Row label="">
        <Key
          title="A line along the lowest pixels of the figure"
          onClick={() =>
            setArtwork(studio, 'Set the foot', artworkId, { foot: [0, heightPx, widthPx, heightPx] })
          }
        >
          Along the bottom
        </Key>
      </Row>
    </Column>
  );
}

/** Named points on which lamps and sprites hang. */
export function BracketColumn({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const bracketId = useStore(studio.artBench, (state) => state.bracketId);
  const number = useStore(studio.artBench, (state) => state.frame);
  const artwork = useScene((state) => state.scene.artworks[artworkId]);
  if (!artwork) return null;
  const chosen = artwork.brackets.find(({ id }) => id === bracketId);
  const own = chosen?.places.some(({ frame }) => frame === number) ?? false;
  return (
    <Column title="Brackets" aside={String(artwork.brackets.length)}>
      <ul aria-label="Brackets of the artwork" className="mb-1 max-h-[66px] min-h-[22px] overflow-y-auto">
        {artwork.brackets.map(({ id, name, places }) => (
          <li key={id} className="flex h-[22px] items-center gap-1">
            <button
              type="button"
              aria-pressed={id === bracketId}
              className="min-w-0 flex-1 cursor-pointer truncate text-left text-ash aria-pressed:text-chalk"
              onClick={() => studio.artBench.setState({ bracketId: id })}
            >
              {name}
              {places.length > 0 && <span className="figure text-dust"> moves in {places.length}</span>}
            </button>
            <button
              type="button"
              aria-label={`Delete ${name}`}
              className="cursor-pointer px-1 text-ash"
              onClick={() => deleteBracket(studio, artworkId, id)}
            >
              ×
            </button>
          </li>
        ))}
        {artwork.brackets.length === 0 && (
          <li className="text-small text-ash">
            Take Bracket (B) and click on the figure: a hand, a chimney.
          </li>
        )}
      </ul>
      {chosen && (
        <>
          <NameField
            name={chosen.name}
            label="Name of the bracket"
            className="w-full"
            onChange={(name) => changeBracket(studio, 'Name a bracket', artworkId, chosen.id, { name })}
          />
          <ValueField
            label="Turn"
            value={bracketAt(chosen, number).turnDeg}
            low={-180}
            high={180}
            digits={0}
            unit="°"
            initial={0}
            onPreview={() => undefined}
            onCommit={(turnDeg) =>
              placeBracket(studio, artworkId, chosen.id, own ? number : null, {
                ...bracketAt(chosen, number),
                turnDeg,
              })
            }
            onCancel={() => undefined}
          />
          {own && (
            <Row label="">
              <Key
                onClick={() =>
                  changeBracket(studio, 'Bracket as in general', artworkId, chosen.id, {
                    places: chosen.places.filter(({ frame }) => frame !== number),
                  })
                }
              >
                As in general
              </Key>
            </Row>
          )}
        </>
      )}
    </Column>
  );
}
