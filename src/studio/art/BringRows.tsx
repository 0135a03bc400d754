'use client';
import { useScene, useStudio } from '../context';
import { Choice, Key, Row } from '../controls/small';
import { setArtwork } from '../store/art-edits';
import { giveLamps } from '../store/lamp-edits';

/** The luminaires that an artwork brings along to each of its sprites. */
export function BringRows({ artworkId }: { artworkId: string }) {
  const studio = useStudio();
  const artwork = useScene(({ scene }) => scene.artworks[artworkId]);
  const luminaires = useScene(({ scene }) =>
    Object.entries(scene.luminaires).map(([id, { name }]) => [id, name] as const),
  );
  if (!artwork || (luminaires.length === 0 && artwork.lamps.length === 0)) return null;
  const names = new Map(luminaires);
  const add = (value: string) => {
    if (value === '') return;
    const [luminaireId, bracketId] = value.split(' ');
    const at = bracketId ? { x: 0, y: 0 } : { x: artwork.pivotX, y: artwork.pivotY };
    const lamps = [...artwork.lamps, { luminaireId, bracketId: bracketId ?? null, ...at }];
    setArtwork(studio, 'Add a lamp to the artwork', artworkId, { lamps });
  };
  return (
    <>
      {artwork.lamps.map(({ luminaireId, bracketId }, i) => (
        <Row key={i} label={i === 0 ? 'Comes with' : ''}>
          <span className="min-w-0 truncate">
            {names.get(luminaireId) ?? 'a missing luminaire'}
            <span className="text-ash">
              {' '}
              {artwork.brackets.find(({ id }) => id === bracketId)?.name ?? ''}
            </span>
          </span>
          <Key
            name="Remove this lamp"
            onClick={() =>
              setArtwork(studio, 'Remove a lamp from the artwork', artworkId, {
                lamps: artwork.lamps.toSpliced(i, 1),
              })
            }
          >
            ×
          </Key>
        </Row>
      ))}
      <Choice
        label={artwork.lamps.length === 0 ? 'Comes with' : ''}
        value=""
        options={[
          ['', artwork.lamps.length === 0 ? 'no lamp' : 'one more …'],
          ...luminaires.flatMap(([id, name]) => [
            [id, name] as const,
            ...artwork.brackets.map(
              (bracket) => [`${id} ${bracket.id}`, `${name}, ${bracket.name}`] as const,
            ),
          ]),
        ]}
        onChange={add}
      />
      {artwork.lamps.length > 0 && (
        <Row label="">
          <Key
            title="Sprites of this scene that have none yet get theirs"
            onClick={() => giveLamps(studio, artworkId)}
          >
            Add to placed sprites
          </Key>
        </Row>
      )}
    </>
  );
}
