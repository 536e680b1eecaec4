/** Two touches that follow each other faster than this are one, by a finger that slipped, ms. */
const ONE_TOUCH_MS = 220;

/**
 * Tells touches from slips of the finger.
 *
 * @returns whether a touch is one of its own, by the time at which it was made, ms
 */
export function oneTouch(): (timeStamp: number) => boolean {
  let last = -Infinity;
  return (timeStamp) => {
    if (timeStamp - last < ONE_TOUCH_MS) return false;
    last = timeStamp;
    return true;
  };
}
