/**
 * Does things one after another, each in a task of its own, so that what the first of them shows is seen before the
 * last is done.
 */
const waiting: (() => void)[] = [];

export function inTurn(act: () => void): void {
  waiting.push(act);
  if (waiting.length === 1) setTimeout(next);
}

function next(): void {
  try {
    waiting[0]!();
  } finally {
    waiting.shift();
    if (waiting.length > 0) setTimeout(next);
  }
}
