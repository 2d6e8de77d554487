/**
 * Runs in the browser before anything else of the page. Until the page's scripts answer, a press would be lost, and a form would be sent the
 * browser's own way: the PIN would stand in the address. The last press is kept and made again as soon as the page answers.
 *
 * Whole in itself, for it is written into the page as text: it must not use anything from outside.
 */
function keepEarlyPresses(): void {
  const root = document.documentElement;
  let pressed: HTMLElement | undefined;
  /** A page that does not answer by then (ms) never will: its buttons are what they are. */
  const giveUp = 60_000;
  /** The work of a job answers a moment after the frame does (use-ready). */
  const answers = (element: Element): boolean => {
    if (performance.now() > giveUp) return true;
    const work = document.getElementById('workspace');
    const isOfWork =
      work !== null &&
      (work.compareDocumentPosition(element) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0;
    return 'awake' in root.dataset && (!isOfWork || 'ready' in root.dataset);
  };
  const keep = (event: Event): void => {
    const at = event.target;
    if (!(at instanceof Element)) return;
    // A form that names no address is the scripts' to send, on a page that never answers as well.
    if (event.type === 'submit' && !at.hasAttribute('action')) event.preventDefault();
    const button = at.closest<HTMLElement>(event.type === 'submit' ? 'form' : 'button');
    if (button === null || answers(button)) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    pressed = button;
  };
  window.addEventListener('click', keep, true);
  window.addEventListener('submit', keep, true);
  new MutationObserver(() => {
    const button = pressed;
    if (button === undefined || !answers(button)) return;
    pressed = undefined;
    if (button instanceof HTMLFormElement) button.requestSubmit();
    else button.click();
  }).observe(root, { attributes: true, attributeFilter: ['data-awake', 'data-ready'] });
}

/** What is written into every page, ahead of all else. */
export const EARLY_PRESS = `(${keepEarlyPresses.toString()})()`;
