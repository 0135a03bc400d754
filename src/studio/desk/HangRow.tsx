'use client';
import { artOf } from '@/core/moment/standing';
import { CommandKey } from '../controls/CommandKey';
import { Row } from '../controls/small';
import { useScene, useStudio } from '../context';

/** What carries a light, a lamp or a sprite, and the keys that hang it up and take it off. */
export function HangRow({ collection, id }: { collection: 'lights' | 'lamps' | 'sprites'; id: string }) {
  const studio = useStudio();
  const carrier = useScene(({ scene }) => {
    const hangsOn = scene[collection][id]?.hangsOn;
    const sprite = hangsOn && scene.sprites[hangsOn.spriteId];
    if (!sprite) return null;
    const bracket = artOf(scene, sprite)?.brackets.find((one) => one.id === hangsOn.bracketId);
    return { spriteId: hangsOn.spriteId, words: bracket ? `${sprite.name}, ${bracket.name}` : sprite.name };
  });
  return (
    <Row label="Hangs on">
      {carrier ? (
        <>
          <button
            type="button"
            className="min-w-0 cursor-pointer truncate text-brass"
            title={carrier.words}
            onClick={() => studio.pick({ collection: 'sprites', id: carrier.spriteId })}
          >
            {carrier.words}
          </button>
          <CommandKey id="take-off" about="It stays where it is">
            Detach
          </CommandKey>
        </>
      ) : (
        <CommandKey id="tool-hang" about="Then click a bracket on the stage">
          Hang
        </CommandKey>
      )}
    </Row>
  );
}
