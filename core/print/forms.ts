/** Forms in which a pattern is printed; all of them tell the same procedure. */
import type { Plan } from '../plan/types.ts';
import { nameIn, OTHER_LANGUAGES, type OtherLanguageId } from '../terms/otherLanguages.ts';
import { abbreviation, STITCHES, type Language, type StitchKind } from '../terms/stitches.ts';
import { patternCard } from './card.ts';
import { publishedPattern } from './published/published.ts';
import type { Section, WrittenPattern } from './section.ts';
import { writtenPattern } from './steps/pattern.ts';

interface Form {
  readonly label: string;
  readonly pattern: (plan: Plan, language?: Language) => WrittenPattern;
}

export const PATTERN_FORMS = {
  published: { label: 'As published', pattern: publishedPattern },
  steps: { label: 'Step by step', pattern: writtenPattern },
  card: { label: 'Card', pattern: patternCard },
} as const satisfies Readonly<Record<string, Form>>;

export type PatternForm = keyof typeof PATTERN_FORMS;
export const PATTERN_FORM_IDS = Object.keys(PATTERN_FORMS) as readonly PatternForm[];

/** A form, and the language in which the names of the stitches stand beside it; null for none. */
export interface PatternLook {
  readonly form: PatternForm;
  readonly names: OtherLanguageId | null;
}

export const USUAL_LOOK: PatternLook = { form: 'published', names: null };

/** The pattern of a plan as it is to be printed. */
export function patternAs(plan: Plan, { form, names }: PatternLook): WrittenPattern {
  const pattern = PATTERN_FORMS[form].pattern(plan);
  if (names === null) return pattern;
  const last = pattern.sections[pattern.sections.length - 1];
  const others = pattern.sections.slice(0, -1);
  return {
    ...pattern,
    sections: [...others, namesSection(plan, pattern.language, names), ...(last ? [last] : [])],
  };
}

/** Names of the stitches that a plan uses, in another language. */
function namesSection(plan: Plan, language: Language, other: OtherLanguageId): Section {
  const used = new Set(plan.rounds.flatMap((r) => r.ring.made.map((s) => s.kind)));
  const kinds = (Object.keys(STITCHES) as StitchKind[]).filter((kind) => used.has(kind));
  const words = kinds.flatMap((kind) => {
    const found = nameIn(other, kind);
    if (!found) return [];
    const short = found.abbreviation === null ? '' : ` (${found.abbreviation})`;
    return [`${abbreviation(kind, language)} = ${found.name}${short}`];
  });
  return {
    heading: `Stitch names: ${OTHER_LANGUAGES[other].label}`,
    lines: [{ kind: 'plain', text: words.join(' · ') }],
    rounds: [],
  };
}
