/**
 * Follows the pointer from a press until it is let go, wherever it goes; Esc or a lost pointer ends it without an event.
 */
export function followPointer(onMove: (event: PointerEvent) => void, onEnd: (event: PointerEvent | undefined) => void): void {
  const done = (event: PointerEvent | undefined) => {
    window.removeEventListener('pointermove', onMove);
    window.removeEventListener('pointerup', done);
    window.removeEventListener('pointercancel', cancel);
    window.removeEventListener('keydown', onKey, true);
    onEnd(event);
  };
  const cancel = () => done(undefined);
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'Escape') return;
    event.stopPropagation();
    done(undefined);
  };
  window.addEventListener('pointermove', onMove);
  window.addEventListener('pointerup', done);
  window.addEventListener('pointercancel', cancel);
  window.addEventListener('keydown', onKey, true);
}

/** Pixels a press may wander and still be a press. */
const WANDER = 3;

/** Whether a pointer has gone far enough from where it was pressed to mean a drag. */
export const hasWandered = (start: { clientX: number; clientY: number }, now: { clientX: number; clientY: number }): boolean =>
  Math.hypot(now.clientX - start.clientX, now.clientY - start.clientY) > WANDER;
