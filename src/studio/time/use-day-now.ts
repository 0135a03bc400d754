import { useEffect, useRef, useState } from 'react';
import { useStudio } from '../context';

/** How often what is shown follows a running day, ms. */
const FOLLOW_MS = 120;

/** What the day comes to at the playhead, followed at a calm rate: a running day renders a few times a second. */
export function useDayNow<T>(read: () => T): T {
  const studio = useStudio();
  const latest = useRef(read);
  const [value, setValue] = useState(read);
  useEffect(() => {
    latest.current = read;
  });
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | null = null;
    const look = () => {
      timer = null;
      setValue(latest.current());
    };
    const later = () => {
      timer ??= setTimeout(look, FOLLOW_MS);
    };
    look();
    const leave = [
      studio.live.subscribe((s, l) => s.clockHours !== l.clockHours && later()),
      studio.scenes.api.subscribe((s, l) => s.scene !== l.scene && look()),
      studio.desk.subscribe((s, l) => s.trial !== l.trial && look()),
    ];
    return () => {
      if (timer) clearTimeout(timer);
      leave.forEach((stop) => stop());
    };
  }, [studio]);
  return value;
}
