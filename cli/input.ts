/** Files for the commands: project files and bundles, by path or from standard input. */
import { readFileSync } from 'node:fs';
import { readBundle, type BundledFile } from '../core/document/bundle.ts';
import { readHem } from '../core/document/check.ts';
import type { Hem } from '../core/document/hem.ts';
import { problemLine } from '../core/problems.ts';
import { Unsound, type Io } from './io.ts';

export interface HemFile {
  /** Where it came from, for messages. */
  readonly file: string;
  readonly hem: Hem;
}

/**
 * The hems of some files; “-”, or no file at all, is standard input.
 *
 * @throws Unsound with every fault of every file
 */
export function openHems(files: readonly string[], { readInput }: Pick<Io, 'readInput'>): readonly HemFile[] {
  const opened: HemFile[] = [];
  const faults: string[] = [];
  const complain = (file: string, words: string): void => void faults.push(`${file}: ${words}`);
  for (const file of files.length === 0 ? ['-'] : files) {
    for (const { name, text } of filesIn(file, readInput, complain)) {
      const outcome = readHem(text);
      if (outcome.ok) opened.push({ file: name, hem: outcome.value });
      else for (const p of outcome.problems) complain(name, problemLine(p));
    }
  }
  if (faults.length > 0) throw new Unsound(faults);
  return opened;
}

function filesIn(
  file: string,
  readInput: () => Uint8Array,
  complain: (file: string, words: string) => void,
): readonly BundledFile[] {
  const name = file === '-' ? 'standard input' : file;
  let bytes: Uint8Array;
  try {
    bytes = file === '-' ? readInput() : readFileSync(file);
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
