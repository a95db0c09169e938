/**
 * A page is seen before its buttons answer: their code is still on its way. What is pressed in the meantime is kept, and pressed again
 * as soon as the button answers, which it shows by carrying what React puts on it; a press that has waited for `LATEST` milliseconds
 * is nobody's any more. It runs before anything else of the page, and so is written as it is run.
 */
export const EARLY_PRESSES = `(() => {
  const LATEST = 20000;
  const answers = (button) => Object.keys(button).some((key) => key.startsWith('__reactProps'));
  addEventListener('click', (event) => {
    const button = event.target instanceof Element && event.target.closest('button[type=button]');
    if (!button || answers(button)) return;
    event.stopImmediatePropagation();
    const until = performance.now() + LATEST;
    const again = () => {
      if (!button.isConnected || performance.now() > until) return;
      if (answers(button)) button.click();
      else requestAnimationFrame(again);
    };
    again();
  }, true);
})()`;
