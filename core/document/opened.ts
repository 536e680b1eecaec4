/** Contents of hem files and backups, checked: the hems, and of each file that is not sound why, and what can be had of it. */
import { HANDS_FILE, readWishes, type HandsWishes } from '../hands/wishes.ts';
import type { Problem } from '../problems.ts';
import { readBundle, type BundledFile, type BundledPhoto } from './bundle.ts';
import { jsonOf, readHem } from './check.ts';
import type { Hem } from './hem.ts';
import { salvageHem, type Salvaged } from './salvage.ts';

export interface RefusedFile {
  readonly name: string;
  readonly problems: readonly Problem[];
  /** Sound parts of it, when the user wants that much; null when nothing is. */
  readonly salvaged: Salvaged | null;
}

export interface OpenedFiles {
  readonly hems: readonly Hem[];
  readonly refused: readonly RefusedFile[];
  /** Photos of the work that came with them. */
  readonly photos: readonly BundledPhoto[];
  /** Wishes that a backup has for the hands of its maker; null where none does. */
  readonly wishes: HandsWishes | null;
}

/** Needs of a reader of files: an id for a hem that is new, and the time. */
export interface ReadContext {
  readonly newId: () => string;
  readonly now: Date;
}

export const refusedFile = (name: string, problems: readonly Problem[]): OpenedFiles => ({
  ...NOTHING_OPENED,
  refused: [{ name, problems, salvaged: null }],
});

export const NOTHING_OPENED: OpenedFiles = { hems: [], refused: [], photos: [], wishes: null };

/** A hem file. */
export function openHemFile({ name, text }: BundledFile, { newId, now }: ReadContext): OpenedFiles {
  const outcome = readHem(text);
  if (outcome.ok) return { ...NOTHING_OPENED, hems: [outcome.value] };
  const salvaged = salvageHem(jsonOf(text), newId(), now);
  return { ...NOTHING_OPENED, refused: [{ name, problems: outcome.problems, salvaged }] };
}

/** A file of a backup. @param told hears after each hem how many of how many have been read */
export function openBundle(
  name: string,
  bytes: Uint8Array,
  reading: ReadContext,
  told: (done: number, of: number) => void = () => undefined,
): OpenedFiles {
  const bundle = readBundle(bytes);
  if (!bundle.ok) return refusedFile(name, bundle.problems);
  const { files, photos, hands } = bundle.value;
  const wanted = hands === null ? null : readWishes(hands);
  const refusedHands = wanted && !wanted.ok ? refusedFile(HANDS_FILE, wanted.problems) : NOTHING_OPENED;
  const hems = files.map((file, i) => {
    const opened = openHemFile(file, reading);
    told(i + 1, files.length);
    return opened;
  });
  return allOpened([
    { ...NOTHING_OPENED, photos, wishes: wanted?.ok ? wanted.value : null },
    refusedHands,
    ...hems,
  ]);
}

/** Contents of several files, in order; of several wishes the last. */
export const allOpened = (all: readonly OpenedFiles[]): OpenedFiles => ({
  hems: all.flatMap((o) => o.hems),
  refused: all.flatMap((o) => o.refused),
  photos: all.flatMap((o) => o.photos),
  wishes: all.reduce<HandsWishes | null>((last, o) => o.wishes ?? last, null),
});
