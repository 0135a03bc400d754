import { unreadableOutlines, type Outlined } from '../../moment/occluder-edges';
import { change } from '../../scene/edits';
import type { SceneDocument } from '../../scene/document';
import type { Artwork } from '../../scene/records/artwork';
import { mendBy, type FoundSnag, type SnagKind } from './kind';

/** An outline that cannot be read: it is left out of the picture, and the rest stands. */
export const unreadableOutline: SnagKind = {
  isFault: true,
  find({ scene }) {
    return [
      ...Object.entries(scene.occluders).flatMap(([id, occluder]) =>
        inRecord(scene, 'occluders', id, `Occluder "${occluder.name}"`, occluder),
      ),
      ...Object.entries(scene.lights).flatMap(([id, light]) =>
        inRecord(scene, 'lights', id, `Light "${light.name}"`, { ...light, kind: 'closed' }),
      ),
      ...Object.entries(scene.artworks).flatMap(([id, artwork]) => inArtwork(scene, id, artwork)),
    ];
  },
};

function inRecord(
  scene: SceneDocument,
  collection: 'occluders' | 'lights',
  id: string,
  what: string,
  outlined: Outlined,
): FoundSnag[] {
  const broken = unreadableOutlines(outlined);
  if (broken.length === 0) return [];
  return [
    {
      records: [{ collection, id }],
      words: wordsOf(what, outlined, broken),
      mends: mendBy('Delete what cannot be read', change(scene, collection, id, without(outlined, broken))),
    },
  ];
}

/** Outlines that an artwork brings to each of its sprites, in general and of single frames. */
function inArtwork(scene: SceneDocument, id: string, { name, occluders }: Artwork): FoundSnag[] {
  return occluders.flatMap((occluder, at) => {
    const { kind, frames } = occluder;
    const broken = unreadableOutlines(occluder);
    const inFrames = frames.map((frame) => unreadableOutlines({ kind, ...frame }));
    const what = `Artwork "${name}", occluder "${occluder.name}"`;
    const words = [
      ...(broken.length > 0 ? [wordsOf(what, occluder, broken)] : []),
      ...frames.flatMap((frame, i) =>
        inFrames[i].length > 0 ? [wordsOf(`${what}, frame ${frame.frame + 1}`, frame, inFrames[i])] : [],
      ),
    ];
    if (words.length === 0) return [];
    const sound = {
      ...occluder,
      ...without(occluder, broken),
      frames: frames.map((frame, i) => ({ ...frame, ...without(frame, inFrames[i]) })),
    };
    const edit = change(scene, 'artworks', id, { occluders: occluders.with(at, sound) });
    return [
      {
        records: [{ collection: 'artworks' as const, id }],
        words: words.join(' '),
        mends: mendBy('Delete what cannot be read', edit),
      },
    ];
  });
}

type Outlines = Pick<Outlined, 'outlines' | 'smooth'>;

function without({ outlines, smooth }: Outlines, broken: readonly number[]): Outlines {
  const isSound = (_: unknown, i: number) => !broken.includes(i);
  return { outlines: outlines.filter(isSound), smooth: smooth.filter(isSound) };
}

function wordsOf(what: string, { outlines }: Outlines, broken: readonly number[]): string {
  const which = broken.map((i) => `${i + 1} (${outlines[i].length / 2} points)`).join(' and ');
  const [noun, verb] = broken.length === 1 ? ['outline', 'is'] : ['outlines', 'are'];
  return `${what}: ${noun} ${which} cannot be read and ${verb} left out of the picture.`;
}
