'use client';
import { ANSWERS } from '@/core/scene/records/answer';
import { useScene, useStudio } from '../context';
import { NameField } from '../controls/NameField';
import { Column } from '../controls/Column';
import { Choice, Row, Switch } from '../controls/small';
import { ANSWER_WORDS } from '../lights/answers';
import { BringRows } from './BringRows';
import { usersOf } from './art-list';
import { useUses } from './use-uses';
import { setArtworks, tagsOf } from '../store/art-edits';

const PLANES = 'plane';

/** Name and tags, where it is used, and how sprites of it take light when they are placed. */
export function AboutColumn({ artworkId, picked }: { artworkId: string; picked: readonly string[] }) {
  const studio = useStudio();
  const artwork = useScene((state) => state.scene.artworks[artworkId]);
  const users = useScene(({ scene }) => usersOf(scene, artworkId));
  const elsewhere = useUses(artworkId);
  if (!artwork) return null;
  const ids = picked.length > 0 ? picked : [artworkId];
  const set = (label: string, fields: Parameters<typeof setArtworks>[3]) =>
    setArtworks(studio, label, ids, fields);
  return (
    <Column title="Artwork" aside={ids.length > 1 ? `${ids.length} picked` : undefined}>
      <NameField
        name={artwork.name}
        label="Name of the artwork"
        className="w-full"
        onChange={(name) => studio.set('Rename', 'artworks', artworkId, { name })}
      />
      <Row label="Tags">
        <input
          key={artwork.tags.join()}
          aria-label="Tags"
          placeholder="lamp, night"
          className="field min-w-0 flex-1 text-right"
          defaultValue={artwork.tags.join(', ')}
          onBlur={(event) => {
            const tags = tagsOf(event.currentTarget.value);
            if (tags.join() !== artwork.tags.join()) set('Tag', () => ({ tags }));
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.currentTarget.blur();
            event.stopPropagation();
          }}
        />
      </Row>
      <Choice
        label="Answer"
        value={artwork.answer ?? PLANES}
        options={[[PLANES, 'As its plane'], ...ANSWERS.map((a) => [a, ANSWER_WORDS[a]] as const)]}
        onChange={(value) => set('Answer', () => ({ answer: ANSWERS.find((a) => a === value) ?? null }))}
      />
      <Switch
        label="Takes shadows"
        on={artwork.takesShadows}
        words={['yes', 'no']}
        onChange={(takesShadows) => set('Takes shadows', () => ({ takesShadows }))}
      />
      <BringRows artworkId={artworkId} />
      <Row label="Used">
        {users.length === 0 ? (
          <span className="text-ash">not in this scene</span>
        ) : (
          <button
            type="button"
            className="cursor-pointer truncate text-brass"
            title={users.map(({ name }) => name).join('\n')}
            onClick={() => {
              studio.pick(...users.map(({ collection, id }) => ({ collection, id })));
              studio.desk.setState({ bench: 'stage' });
            }}
          >
            {users.length === 1 ? users[0].name : `${users.length} things`}
          </button>
        )}
      </Row>
      {elsewhere.map(({ id, name }) => (
        <Row key={id} label="">
          <a className="truncate text-brass" href={`/scenes/${id}?bench=art&art=${artworkId}`}>
            {name}
          </a>
        </Row>
      ))}
    </Column>
  );
}
