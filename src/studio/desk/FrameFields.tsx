'use client';
import { framesIn } from '@/core/art/frames';
import { useScene } from '../context';
import { FieldOf } from '../controls/FieldOf';
import { Switch } from '../controls/small';
import { useField } from './use-fields';

/** Which frame sprites show, and whether they play; nothing for art of one frame. */
export function FrameFields({ ids }: { ids: string[] }) {
  const count = useScene(({ scene }) =>
    Math.max(
      ...ids.map((id) => {
        const artwork = scene.artworks[scene.sprites[id]?.artworkId ?? ''];
        return artwork ? framesIn(artwork).length : 1;
      }),
    ),
  );
  const playing = useField('sprites', ids, 'playing', 'Play');
  if (count < 2) return null;
  return (
    <>
      <Switch label="Frames" on={playing.value} words={['playing', 'still']} onChange={playing.set} />
      <FieldOf
        collection="sprites"
        ids={ids}
        field="frame"
        label={playing.value ? 'From' : 'Frame'}
        low={0}
        high={count - 1}
        digits={0}
        whole
        initial={0}
      />
    </>
  );
}
