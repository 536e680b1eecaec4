/** The command as a process. */
import { readFileSync } from 'node:fs';
import { run } from './program.ts';

// A reader that has seen enough, such as head, closes the pipe: that is no fault.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EPIPE') process.exit();
  throw error;
});

process.exitCode = run(process.argv.slice(2), {
  write: (part) => void process.stdout.write(part),
  complain: (line) => console.error(line),
  readInput: () => readFileSync(0),
});
