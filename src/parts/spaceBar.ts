let isHeld = false;

if (typeof window !== 'undefined') {
  window.addEventListener('keydown', ({ key }) => (isHeld ||= key === ' '), true);
  window.addEventListener('keyup', ({ key }) => (isHeld &&= key !== ' '), true);
  window.addEventListener('blur', () => (isHeld = false));
}

/** Whether the space bar is down: with it a drag means the surface, not what lies on it. */
export const isSpaceHeld = (): boolean => isHeld;
