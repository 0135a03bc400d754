/** Occluders in the elevation: posts as high as their stature, those that are hidden or locked too, to be found and picked. */
import type { SceneDocument } from '@/core/scene/document';
import { useScene, useStudio } from '../context';
import { STRIP_TOP_PX } from './LightDots';

/** More than these stand too close to be told apart. */
const MOST_POSTS = 14;

interface Post {
  id: string;
  name: string;
  hidden: boolean;
  staturePx: number | null;
}

function postsOn(scene: SceneDocument, planeId: string): Post[] {
  return Object.entries(scene.occluders).flatMap(([id, { name, hidden, staturePx, ...occluder }]) => {
    const own = occluder.spriteId === null ? occluder.planeId : scene.sprites[occluder.spriteId]?.planeId;
    return own === planeId ? [{ id, name, hidden, staturePx }] : [];
  });
}

export function OccluderPosts({ planeId }: { planeId: string }) {
  const studio = useStudio();
  const posts = useScene(({ scene }) => postsOn(scene, planeId));
  const isPicked = useScene(({ selection }) => selection.map(({ id }) => id));
  if (posts.length === 0) return null;
  const shown = posts.slice(0, MOST_POSTS);
  return (
    <div className="absolute inset-y-0 right-0 left-2 flex items-end gap-[2px]">
      {shown.map(({ id, name, hidden, staturePx }) => {
        const height =
          staturePx === null ? 100 : Math.min(100, Math.max(12, (staturePx / STRIP_TOP_PX) * 86));
        const words = `${name}, ${staturePx === null ? 'endless shadow' : `${staturePx} px high`}`;
        return (
          <button
            key={id}
            type="button"
            aria-label={`Occluder ${words}`}
            title={words}
            className={`w-[4px] cursor-pointer ${isPicked.includes(id) ? 'bg-verdigris' : hidden ? 'border border-rail' : 'bg-rail hover:bg-ash'}`}
            style={{ height: `${height * 0.4}%`, minHeight: '5px' }}
            onClick={() => studio.pick({ collection: 'occluders', id })}
          />
        );
      })}
      {posts.length > shown.length && (
        <span className="figure text-dust">+{posts.length - shown.length}</span>
      )}
    </div>
  );
}
