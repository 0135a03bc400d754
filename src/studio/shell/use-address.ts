import { useEffect } from 'react';
import { useStudio } from '../context';
import { benchFacts } from '../store/benches';

const WRITE_DELAY_MS = 300;

/** Keeps bench, hour and pick in the address, so that a link shows what one saw. */
export function useAddress(): void {
  const studio = useStudio();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | null = null;
    const write = () => {
      timer = null;
      const query = new URLSearchParams({ bench: studio.desk.getState().bench });
      const { clockHours, dayRate, isFrozen, seconds } = studio.live.getState();
      if (dayRate === 0 || isFrozen) query.set('hour', clockHours.toFixed(2));
      if (isFrozen) query.set('at', seconds.toFixed(2));
      const [picked, ...more] = studio.scenes.state.selection;
      const { bench, artworkId, timePart } = studio.desk.getState();
      if (bench === 'time') query.set('part', timePart);
      if (benchFacts(bench).hasArtwork && artworkId) query.set('art', artworkId);
      if (picked && more.length === 0) query.set('pick', `${picked.collection}:${picked.id}`);
      const next = `?${query.toString().replaceAll('%3A', ':')}`;
      if (next !== window.location.search) window.history.replaceState(window.history.state, '', next);
    };
    const later = () => {
      timer ??= setTimeout(write, WRITE_DELAY_MS);
    };
    const leave = [
      studio.desk.subscribe(
        (s, l) =>
          (s.bench !== l.bench || s.artworkId !== l.artworkId || s.timePart !== l.timePart) && later(),
      ),
      studio.live.subscribe(
        (s, l) =>
          (s.clockHours !== l.clockHours ||
            s.dayRate !== l.dayRate ||
            s.isFrozen !== l.isFrozen ||
            (s.isFrozen && s.seconds !== l.seconds)) &&
          later(),
      ),
      studio.scenes.api.subscribe((s, l) => s.selection !== l.selection && later()),
    ];
    later();
    return () => {
      if (timer) clearTimeout(timer);
      for (const stop of leave) stop();
    };
  }, [studio]);
}
