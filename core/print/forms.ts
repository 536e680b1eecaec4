/** Forms in which a pattern is printed; all of them tell the same procedure. */
import type { Plan } from '../plan/types.ts';
import type { Language } from '../terms/stitches.ts';
import { patternCard } from './card.ts';
import { publishedPattern } from './published/published.ts';
import type { WrittenPattern } from './section.ts';
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
