import { useEffect } from 'react';

/** Keeps the screen on while this is shown, where the browser can; a browser takes the lock away when the page is hidden. */
export function useAwake(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const hold = async (): Promise<void> => {
      if (document.visibilityState !== 'visible') return;
      try {
        const held = await navigator.wakeLock.request('screen');
        if (over) await held.release();
        else lock = held;
      } catch {
        // Low battery, or the browser will not: the screen goes off as it always does.
      }
    };
    const again = (): void => void hold();
    void hold();
    document.addEventListener('visibilitychange', again);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', again);
      void lock?.release();
    };
  }, [wanted]);
}
