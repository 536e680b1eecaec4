/** A bundle: all hems in one zip file, each as its project file, as a backup. */
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { done, failed, problem, type Outcome } from '../problems.ts';
import { writeHem } from './check.ts';
import { fileName } from './fileName.ts';
import type { Hem } from './hem.ts';

/** The bytes of a bundle. Names that two hems share are told apart by number. @param now the files’ date */
export function writeBundle(hems: readonly Hem[], now: Date): Uint8Array {
  const files: Record<string, Uint8Array> = {};
  for (const hem of hems) {
    let name = fileName(hem.name, '.hem.json');
    for (let n = 2; name in files; n++) name = fileName(hem.name, `-${n}.hem.json`);
    files[name] = strToU8(writeHem(hem));
  }
  return zipSync(files, { mtime: now, level: 6 });
}

export interface BundledFile {
  readonly name: string;
  readonly text: string;
}

/** The project files in a bundle, not yet checked. Other files in it are passed over. */
export function readBundle(bytes: Uint8Array): Outcome<readonly BundledFile[]> {
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, { filter: ({ name }) => name.endsWith('.json') });
  } catch (error) {
    return failed(problem('bundle-unreadable', 'the bundle', { detail: (error as Error).message }));
  }
  const found = Object.entries(files).map(([name, content]) => ({ name, text: strFromU8(content) }));
  return found.length === 0 ? failed(problem('bundle-empty', 'the bundle')) : done(found);
}
