import { readFileSync, readdirSync } from 'node:fs';

/** Ends the processes that were started with a folder, found by it in /proc: a machine of Linux only. */
export function endProcesses(folder: string): void {
  for (const entry of readdirSync('/proc')) {
    if (!/^\d+$/.test(entry)) continue;
    try {
      if (readFileSync(`/proc/${entry}/cmdline`, 'utf8').includes(folder))
        process.kill(Number(entry), 'SIGKILL');
    } catch {
      // It has ended with its parent.
    }
  }
}
