import { startTransition, useEffect, useState } from 'react';

/** Once what is on its way to the page has been painted; in a hidden page, soon. */
function afterPaint(): Promise<void> {
  return new Promise((done) => {
    const soon = setTimeout(done, 100);
    requestAnimationFrame(() => {
      clearTimeout(soon);
      setTimeout(done);
    });
  });
}

/** A value as it was painted last: what is heavy to show follows it in time that the paint does not need. */
export function useAfterPaint<T>(value: T): T {
  const [late, setLate] = useState(value);
  useEffect(() => {
    let over = false;
    void afterPaint().then(() => {
      if (!over) startTransition(() => setLate(value));
    });
    return () => {
      over = true;
    };
  }, [value]);
  return late;
}
