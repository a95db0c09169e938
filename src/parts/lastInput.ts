/** What the hands did last, wherever it was meant: what some gestures and the focus depend on. */
let spaceIsHeld = false;
let wasInDialog = false;

const isInDialog = ({ target }: Event): boolean => target instanceof Element && target.closest('[role=dialog]') !== null;

if (typeof window !== 'undefined') {
  window.addEventListener(
    'keydown',
    (event) => {
      spaceIsHeld ||= event.key === ' ';
      wasInDialog = isInDialog(event);
    },
    true,
  );
  window.addEventListener('keyup', ({ key }) => (spaceIsHeld &&= key !== ' '), true);
  window.addEventListener('pointerdown', (event) => (wasInDialog = isInDialog(event)), true);
  window.addEventListener('blur', () => (spaceIsHeld = false));
}

/** Whether the space bar is down: with it a drag means the surface, not what lies on it. */
export const isSpaceHeld = (): boolean => spaceIsHeld;

/** Whether the last press or key was one in a dialog: the focus that it gives back when it closes means nothing new. */
export const cameFromDialog = (): boolean => wasInDialog;
