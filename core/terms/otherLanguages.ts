/**
 * Names and abbreviations of stitches in other languages, as they are usual there; where usage is not one, there is none. Patterns are
 * written in US or UK terms; these names stand beside them.
 */
import type { StitchKind } from './stitches.ts';

interface Name {
  readonly name: string;
  /** Null where more than one is in use. */
  readonly abbreviation: string | null;
}

interface OtherLanguage {
  readonly label: string;
  /** For the names, so that they are read and hyphenated as what they are. */
  readonly code: string;
  readonly stitches: Readonly<Partial<Record<StitchKind, Name>>>;
}

const named = (name: string, abbreviation: string | null = null): Name => ({ name, abbreviation });

export const OTHER_LANGUAGES = {
  german: {
    label: 'German',
    code: 'de',
    stitches: {
      ch: named('Luftmasche', 'Lm'),
      slst: named('Kettmasche', 'Km'),
      sc: named('feste Masche', 'fM'),
      hdc: named('halbes Stäbchen', 'hStb'),
      dc: named('Stäbchen', 'Stb'),
      tr: named('Doppelstäbchen', 'DStb'),
      dtr: named('Dreifachstäbchen'),
    },
  },
  dutch: {
    label: 'Dutch',
    code: 'nl',
    stitches: {
      ch: named('losse', 'l'),
      slst: named('halve vaste', 'hv'),
      sc: named('vaste', 'v'),
      hdc: named('half stokje', 'hst'),
      dc: named('stokje', 'st'),
      tr: named('dubbel stokje', 'dst'),
    },
  },
  french: {
    label: 'French',
    code: 'fr',
    stitches: {
      ch: named('maille en l’air', 'ml'),
      slst: named('maille coulée', 'mc'),
      sc: named('maille serrée', 'ms'),
      hdc: named('demi-bride'),
      dc: named('bride'),
      tr: named('double bride'),
      dtr: named('triple bride'),
    },
  },
  spanish: {
    label: 'Spanish (Spain)',
    code: 'es-ES',
    stitches: {
      ch: named('cadeneta', 'cad'),
      slst: named('punto raso', 'pr'),
      sc: named('punto bajo', 'pb'),
      hdc: named('medio punto alto', 'mpa'),
      dc: named('punto alto', 'pa'),
      tr: named('punto alto doble'),
      dtr: named('punto alto triple'),
    },
  },
} as const satisfies Readonly<Record<string, OtherLanguage>>;

export type OtherLanguageId = keyof typeof OTHER_LANGUAGES;
export const OTHER_LANGUAGE_IDS = Object.keys(OTHER_LANGUAGES) as readonly OtherLanguageId[];

/** The name of a stitch in another language; null where none is usual. */
export const nameIn = (other: OtherLanguageId, kind: StitchKind): Name | null => {
  const stitches: Readonly<Partial<Record<StitchKind, Name>>> = OTHER_LANGUAGES[other].stitches;
  return stitches[kind] ?? null;
};
