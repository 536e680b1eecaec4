/** Events of somebody who is busy with a page. */
const DOINGS = ['pointerdown', 'keydown', 'wheel'] as const;

/**
 * Does something once nobody has pressed, typed or turned the wheel for so long, or the page is out of sight: what keeps the
 * machine busy for seconds then disturbs nobody. A page that is left for another one is hidden too, but then the other has
 * just been asked for.
 *
 * @returns what calls it off
 */
export function atRest(restMs: number, work: () => void): () => void {
  const off = (): void => {
    clearTimeout(wait);
    for (const doing of DOINGS) window.removeEventListener(doing, again, true);
    left();
    window.removeEventListener('pagehide', left);
  };
  const start = (): void => {
    off();
    work();
  };
  const again = (): void => {
    clearTimeout(wait);
    wait = setTimeout(start, restMs);
  };
  const seen = (): void => {
    if (document.hidden) start();
  };
  const left = (): void => document.removeEventListener('visibilitychange', seen);
  let wait = setTimeout(start, restMs);
  for (const doing of DOINGS) window.addEventListener(doing, again, { capture: true, passive: true });
  document.addEventListener('visibilitychange', seen);
  window.addEventListener('pagehide', left);
  return off;
}
