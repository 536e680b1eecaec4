/** Files for the commands: project files and bundles, by path or from standard input. */
import { readFileSync } from 'node:fs';
import { readBundle, type BundledFile } from '../core/document/bundle.ts';
import { readHem } from '../core/document/check.ts';
import type { Hem } from '../core/document/hem.ts';
import { problemLine } from '../core/problems.ts';

/** Exit codes of every command. */
export const EXIT = { done: 0, notEven: 1, unsound: 2 } as const;

export interface HemFile {
  /** Where it came from, for messages. */
  readonly file: string;
  readonly hem: Hem;
}

/**
 * The hems of some files; “-”, or no file at all, is standard input. Every fault of every file is printed before
 * the process ends with {@link EXIT}`.unsound`.
 */
export function openHems(files: readonly string[]): readonly HemFile[] {
  const opened: HemFile[] = [];
  let faults = 0;
  const complain = (file: string, words: string): void => {
    faults++;
    console.error(`${file}: ${words}`);
  };
  for (const file of files.length === 0 ? ['-'] : files) {
    for (const { name, text } of filesIn(file, complain)) {
      const outcome = readHem(text);
      if (outcome.ok) opened.push({ file: name, hem: outcome.value });
      else for (const p of outcome.problems) complain(name, problemLine(p));
    }
  }
  if (faults > 0) process.exit(EXIT.unsound);
  return opened;
}

function filesIn(file: string, complain: (file: string, words: string) => void): readonly BundledFile[] {
  const name = file === '-' ? 'standard input' : file;
  let bytes: Uint8Array;
  try {
    bytes = readFileSync(file === '-' ? 0 : file);
  } catch (error) {
    complain(name, `cannot be read (${(error as Error).message}). Give the path of a hem file or a backup.`);
    return [];
  }
  // A zip file begins with the letters PK.
  if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return [{ name, text: new TextDecoder().decode(bytes) }];
  const outcome = readBundle(bytes);
  if (outcome.ok) return outcome.value.files;
  for (const p of outcome.problems) complain(name, problemLine(p));
  return [];
}
