/** Loads something anew, not oftener than is asked for. */
export interface Reloader {
  /** Loads at least so long (ms) after it was last loaded. Asked again before that, the sooner counts. */
  readonly ask: (apart: number) => void;
  /** Forgets what is still to be loaded. */
  readonly stop: () => void;
}

export function makeReloader(load: () => void): Reloader {
  let last = -Infinity;
  let due = Infinity;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const stop = () => {
    clearTimeout(timer);
    due = Infinity;
  };
  const ask = (apart: number) => {
    const now = Date.now();
    const at = Math.max(now, last + apart);
    if (due <= at) return;
    stop();
    due = at;
    timer = setTimeout(() => {
      due = Infinity;
      last = Date.now();
      load();
    }, at - now);
  };
  return { ask, stop };
}
