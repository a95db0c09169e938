/** Gives the focus back to the text in hand: the letters go on where they were. */
export const backToText = () => window.document.querySelector<HTMLElement>('[data-text-field]')?.focus({ preventScroll: true });
