/** The pattern on a card to be laid beside the work: one line a round. */
import { shortYarnName } from '../document/yarnNames.ts';
import { isDisc } from '../piece/outline.ts';
import type { Plan } from '../plan/types.ts';
import type { Procedure } from '../procedure/acts.ts';
import { proceduresOf } from '../procedure/procedure.ts';
import { plural, sizeWords } from '../say/measures.ts';
import { abbreviation, type Language } from '../terms/stitches.ts';
import { hookLabel } from '../terms/yarnWeights.ts';
import { termsOf } from './abbreviations.ts';
import { aroundOf } from './published/around.ts';
import { gaugeWords } from './published/published.ts';
import { sideCountsWords } from './published/rounds.ts';
import type { PatternLine, WrittenPattern } from './section.ts';

/** The card of a plan in a language. */
export function patternCard(plan: Plan, language: Language = plan.hem.preferences.language): WrittenPattern {
  const { gauge, preferences } = plan.hem;
  const unit = preferences.length;
  const lines = proceduresOf(plan).map((procedure): PatternLine => {
    const { number, yarnId, total, facing } = procedure.round;
    const counts = isDisc(plan.body.outline) ? '' : ` (${sideCountsWords(plan, procedure.round)})`;
    const words = [
      `${number === 0 ? 'Base' : number}: ${shortYarnName(plan.hem, yarnId)}`,
      ...(facing === 'wrong' ? ['WS'] : []),
      workWords(plan, procedure, language),
      `${plural(total, 'st')}${counts}`,
    ];
    return { kind: 'written', text: words.join(' · ') };
  });
  const terms = termsOf(
    lines.map((l) => l.text),
    language,
  );
  const made = `${sizeWords(plan.finishedSize, unit)} · ${hookLabel(gauge.hookMm, language)} hook · ${gaugeWords(plan, language)}`;
  const plain = (text: string): PatternLine => ({ kind: 'plain', text });
  return {
    title: plan.hem.name,
    made: null,
    language,
    sections: [
      { heading: 'Rounds', lines: [plain(made), ...lines], rounds: plan.rounds.map((r) => r.number) },
      { heading: `Abbreviations (${language.toUpperCase()})`, lines: [plain(terms.join(' · '))], rounds: [] },
    ],
  };
}

/** The repeat of a round and its corner, without how it begins and ends; where sides differ, its name. */
function workWords(plan: Plan, procedure: Procedure, language: Language): string {
  const { round } = procedure;
  if (round.written === null) return `${abbreviation(plan.hem.base.stitch, language)} along the edge`;
  const around = aroundOf(plan, procedure, language);
  if (!around) return `${round.name.toLowerCase()}, ${abbreviation(round.stitch, language)}`;
  const { side, corner } = around;
  return corner === null ? side : `${side}; corner: ${corner}`;
}
