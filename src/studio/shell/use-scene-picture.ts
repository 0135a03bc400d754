import { useEffect } from 'react';
import { useStudio } from '../context';
import { api } from '../store/server-api';

/** A picture is made this long after the last change was saved. */
const CALM_MS = 2500;

/** Keeps the scene's small picture on the front page up to date, whenever changes were saved and the hand rests. */
export function useScenePicture(): void {
  const studio = useStudio();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | null = null;
    const shoot = async () => {
      const { stage } = studio;
      if (studio.sync.hasUnsent || !studio.pictures.isComplete || !stage) return;
      const thumbnail = stage.thumbnail();
      if (!thumbnail) return;
      const bytes = await studio.workers.run((remote) => remote.encode(thumbnail));
      await api.keepScenePicture(studio.info.id, bytes as Uint8Array<ArrayBuffer>);
    };
    const leave = studio.sync.api.subscribe(({ sync }, last) => {
      if (sync.kind !== 'saved' || last.sync.kind === 'saved') return;
      if (timer) clearTimeout(timer);
      // The picture is a courtesy: where it cannot be kept the next one will be.
      timer = setTimeout(() => void shoot().catch(() => undefined), CALM_MS);
    });
    return () => {
      if (timer) clearTimeout(timer);
      leave();
    };
  }, [studio]);
}
