import { inOrder, settingsOf } from '../../scene/document';
import { change } from '../../scene/edits';
import { SETTINGS_ID } from '../../scene/records/settings';
import { mendBy, type FoundSnag, type SnagKind } from './kind';

/** Planes of pixel art that are blurred: what is blurred does not sit on the grid of the art. */
export const blurredPixels: SnagKind = {
  isFault: false,
  find({ scene }) {
    const { pixelArt, blurPx, focusPlaneId } = settingsOf(scene);
    if (!pixelArt) return [];
    const planes = inOrder(scene.planes).filter(([, { overlay }]) => !overlay);
    const own = planes
      .filter(([, plane]) => plane.blurPx !== null && plane.blurPx > 0)
      .map(([id, plane]): FoundSnag => ({
        records: [{ collection: 'planes', id }],
        words: `The plane “${plane.name}” is blurred: pixel art that is blurred does not sit on its grid.`,
        mends: mendBy('Do not blur it', change(scene, 'planes', id, { blurPx: 0 })),
      }));
    const isFollowed =
      blurPx > 0 &&
      focusPlaneId !== null &&
      planes.some(([id, plane]) => plane.blurPx === null && id !== focusPlaneId);
    if (!isFollowed) return own;
    return [
      {
        records: [{ collection: 'settings', id: SETTINGS_ID }],
        words:
          'Planes are blurred by their distance from the one in focus: pixel art that is blurred does not sit on its grid.',
        mends: mendBy('Keep all planes sharp', change(scene, 'settings', SETTINGS_ID, { blurPx: 0 })),
      },
      ...own,
    ];
  },
};
