import { describe, expect, it } from 'vitest';
import { settingsOf } from '@/core/scene/document';
import { READY_LOOKS } from '@/ready/looks';
import { fakeStudio } from '../testing/fake-studio';
import { deleteLook, keepAsLook, lookNow, looksToTake, makeOwn, putLookOnCue, takeLook } from './looks';

const GREY = 'look-silver-gelatin';
const SLIDE = 'look-slide-film';

describe('looks', () => {
  it('come along until the project has them, and are brought by the first taking in one step', () => {
    const studio = fakeStudio();
    expect(looksToTake(studio).map(({ id }) => id)).toEqual(READY_LOOKS.map(({ id }) => id));
    takeLook(studio, GREY);
    expect(settingsOf(studio.scene).lookId).toBe(GREY);
    expect(studio.scene.looks[GREY]).toMatchObject({ name: 'Silver gelatin', saturation: 0, tone: 'film' });
    expect(looksToTake(studio)[0]).toMatchObject({ id: GREY, isOwn: true });
    expect(looksToTake(studio).length).toBe(READY_LOOKS.length);
    studio.scenes.undo();
    expect(studio.scene.looks).toEqual({});
    expect(lookNow(studio)).toBeNull();
  });

  it('are of the cue that named one last, round the day, and a press changes that', () => {
    const studio = fakeStudio();
    const at = (clockHours: number) => studio.live.setState({ clockHours });
    at(6);
    putLookOnCue(studio, GREY);
    at(18);
    putLookOnCue(studio, SLIDE);
    expect([0, 5.9, 6, 12, 18, 23].map((hour) => (at(hour), lookNow(studio)))).toEqual([
      ...[SLIDE, SLIDE, GREY, GREY, SLIDE, SLIDE],
    ]);
    at(12);
    takeLook(studio, SLIDE);
    expect(Object.values(studio.scene.cues).map(({ lookId }) => lookId)).toEqual([SLIDE, SLIDE]);
    expect(studio.desk.getState().lookBefore).toEqual({ lookId: GREY });
  });

  it('are kept of the scene, made its own with its stops on top, and deleted from all that name them', () => {
    const studio = fakeStudio();
    studio.setSettings('Finish', { bloomLevel: 0.5, exposureStops: 0.5 });
    const id = keepAsLook(studio);
    expect(studio.scene.looks[id]).toMatchObject({ bloomLevel: 0.5, exposureStops: 0.5 });
    takeLook(studio, id);
    studio.setSettings('Finish', { bloomLevel: 0 });
    makeOwn(studio, id);
    expect(settingsOf(studio.scene)).toMatchObject({ bloomLevel: 0.5, exposureStops: 1, lookId: null });
    takeLook(studio, id);
    deleteLook(studio, id);
    expect(settingsOf(studio.scene).lookId).toBeNull();
    expect(studio.scene.looks).toEqual({});
  });
});
