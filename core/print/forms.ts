/** Forms in which a pattern is printed; all of them tell the same procedure. */
import type { Plan } from '../plan/types.ts';
import { nameIn, OTHER_LANGUAGES, type OtherLanguageId } from '../terms/otherLanguages.ts';
import { abbreviation, STITCHES, type Language, type StitchKind } from '../terms/stitches.ts';
import { patternCard } from './card.ts';
import { publishedPattern } from './published/published.ts';
import { TICK, type Section, type WrittenPattern } from './section.ts';
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
  /** A box to tick before each round. */
  readonly ticks: boolean;
  /** In large print, where it is laid out in pages. */
  readonly large: boolean;
}

export const USUAL_LOOK: PatternLook = { form: 'published', names: null, ticks: false, large: false };

/** The pattern of a plan as it is to be printed. */
export function patternAs(plan: Plan, { form, names, ticks }: PatternLook): WrittenPattern {
  const told = { ...PATTERN_FORMS[form].pattern(plan), made: madeWords(plan) };
  const pattern = ticks ? { ...told, sections: told.sections.map(withTicks) } : told;
  if (names === null) return pattern;
  const last = pattern.sections[pattern.sections.length - 1];
  const others = pattern.sections.slice(0, -1);
  return {
    ...pattern,
    sections: [...others, namesSection(plan, pattern.language, names), ...(last ? [last] : [])],
  };
}

/** “Made for Ada, winter 2026”; null where neither is said. */
function madeWords({ hem: { madeFor, madeOn } }: Plan): string | null {
  const [who, when] = [madeFor.trim(), madeOn.trim()];
  if (who === '') return when === '' ? null : `Made ${when}`;
  return `Made for ${who}${when === '' ? '' : `, ${when}`}`;
}

/** A section with a box for each of its rounds: before its heading, or where it tells each in a line before that. */
function withTicks(section: Section): Section {
  const { heading, lines, rounds } = section;
  if (rounds.length === 0) return section;
  const written = lines.filter((l) => l.kind === 'written');
  if (section.runIn || written.length !== rounds.length || rounds.length === 1)
    return { ...section, heading: `${TICK.repeat(rounds.length)}${heading}` };
  return {
    ...section,
    lines: lines.map((l) => (l.kind === 'written' ? { ...l, text: `${TICK}${l.text}` } : l)),
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
