import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import type { Edit } from '@/core/scene/edits';
import { useStudio } from '../context';
import { useGesture } from '../controls/FieldOf';
import type { Ruler } from './ruler';

/** How far the pointer goes before a press becomes a drag, px. */
const SLACK_PX = 2;

/**
 * Dragging something up and down in its plane's strip, and stepping it by the arrows.
 * @param heightPx where it stands now
 * @param editsFor the edits that put it at a height, and the ruler by which it is held
 */
export function useHeightDrag(
  label: string,
  ruler: Ruler,
  heightPx: number,
  editsFor: (heightPx: number, held: Ruler) => Edit[],
) {
  const gesture = useGesture(useStudio(), label);
  // What is held is measured by the ruler of the moment in which it was taken: it must not slip from under the hand.
  const held = useRef<{ ruler: Ruler; box: DOMRect; fromY: number; isDragged: boolean } | null>(null);
  const editsAt = (clientY: number) => {
    const { box, ruler: own } = held.current!;
    return editsFor(own.heightAt((box.bottom - clientY) / box.height), own);
  };
  const stop = () => {
    held.current = null;
  };
  return {
    onPointerDown(event: PointerEvent<HTMLElement>) {
      event.currentTarget.setPointerCapture(event.pointerId);
      const box = event.currentTarget.closest('[data-strip]')!.getBoundingClientRect();
      held.current = { ruler, box, fromY: event.clientY, isDragged: false };
    },
    onPointerMove(event: PointerEvent) {
      const now = held.current;
      if (!now || !(event.buttons & 1)) return;
      now.isDragged ||= Math.abs(event.clientY - now.fromY) > SLACK_PX;
      if (now.isDragged) gesture.preview(editsAt(event.clientY));
    },
    onPointerUp(event: PointerEvent) {
      if (held.current?.isDragged) gesture.commit(editsAt(event.clientY));
      stop();
    },
    onPointerCancel() {
      gesture.cancel();
      stop();
    },
    onKeyDown(event: KeyboardEvent) {
      const step = { ArrowUp: 1, ArrowDown: -1 }[event.key];
      if (event.key === 'Escape' && held.current) {
        gesture.cancel();
        stop();
      } else if (step !== undefined)
        gesture.commit(editsFor(Math.max(0, heightPx + step * (event.shiftKey ? 10 : 1)), ruler));
      else return;
      event.preventDefault();
      event.stopPropagation();
    },
  };
}
