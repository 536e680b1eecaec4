import { abbreviation, stitchName, type Language, type StitchKind } from '../../../core/terms/stitches.ts';

/** Stitches that rows and the last rounds of motifs are made of. */
const ROW_STITCHES: readonly StitchKind[] = ['sc', 'esc', 'hdc', 'hhdc', 'dc', 'tr', 'dtr'];

/** The same as options of a field. */
export const rowStitchOptions = (language: Language) =>
  ROW_STITCHES.map((s) => ({ value: s, label: `${abbreviation(s, language)} · ${stitchName(s, language)}` }));
