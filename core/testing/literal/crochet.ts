/**
 * Reads the crochet of a printed pattern to the letter, for a maker who knows nothing but the craft's abbreviations.
 * Written for tests, and apart from everything that prints: it must not share the printer's mistakes.
 */
import { chainRun, stitchOf, type Loop, type Stitch } from '../../ring/stitch.ts';
import { stitchCalled, type Language, type StitchKind } from '../../terms/stitches.ts';

export type Noun = 'st' | 'ch-sp' | 'gap' | 'pair' | 'post' | 'between' | 'either';

/** Places whose names have several words, by one. */
export const inOneWord = (text: string): string =>
  text
    .replace(/\bsp(s?) between sts\b/g, 'between$1')
    .replace(/\bst (?:or|and) ch-sp\b/g, 'either')
    .replace(/\bsts and ch-sps\b/g, 'eithers');

export type LiteralStep =
  | { readonly do: 'skip'; readonly count: number; readonly noun: Noun }
  | { readonly do: 'make'; readonly what: Stitch }
  | {
      readonly do: 'work';
      readonly what: readonly Stitch[];
      readonly noun: Noun;
      readonly at: 'next' | 'same' | 'skipped';
      readonly times: number;
    };

/** A way along a side. */
export interface Way {
  readonly head: readonly LiteralStep[];
  readonly body: readonly LiteralStep[];
  readonly tail: readonly LiteralStep[];
}

export class Unclear extends Error {}

/** Splits at commas that stand in no bracket. */
export function parts(text: string): readonly string[] {
  const found: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '(') depth++;
    if (text[i] === ')') depth--;
    if (text[i] === ',' && depth === 0) {
      found.push(text.slice(from, i).trim());
      from = i + 1;
    }
  }
  return [...found, text.slice(from).trim()].filter((p) => p !== '');
}

const LOOPS: Readonly<Record<string, Loop>> = { BLO: 'back', FLO: 'front', '3rd lp': 'third' };

export class Reader {
  constructor(private readonly language: Language) {}

  get slipStitch(): string {
    return this.language === 'us' ? 'sl st' : 'ss';
  }

  private kind(word: string): StitchKind {
    const found = stitchCalled(word, this.language);
    if (!found) throw new Unclear(`what is “${word}”?`);
    return found;
  }

  stitch(text: string): Stitch {
    const words = text.trim();
    let m = /^ch (\d+)$/.exec(words);
    if (m) return chainRun(Number(m[1]));
    m = /^picot(?: of (\d+))?$/.exec(words);
    if (m) return stitchOf({ kind: 'ch', form: 'picot', chains: Number(m[1] ?? 3) });
    if (words === 'dot') return stitchOf({ kind: 'ch', form: 'dot', chains: 3, legs: 5 });
    if (words === 'tassel') return stitchOf({ kind: 'ch', form: 'tassel' });
    if (words === 'puff') return stitchOf({ kind: 'hdc', form: 'puff', legs: 3 });
    if (words === 'popcorn') return stitchOf({ kind: 'dc', form: 'popcorn', legs: 5 });
    if (words === 'cord') return stitchOf({ kind: 'slst', form: 'cord', legs: 3 });
    m = /^(\d+)-(\w+) bobble$/.exec(words);
    if (m) return stitchOf({ kind: this.kind(m[2]!), form: 'bobble', legs: Number(m[1]) });
    m = /^(?:(rev|twisted) )?([FB]P)?(sl st|[a-z]+?)(?:(\d+)tog)?(?: (BLO|FLO|3rd lp))?$/.exec(words);
    if (!m) throw new Unclear(`what is “${words}”?`);
    const [, special, post, word, legs, loop] = m;
    return stitchOf({
      kind: this.kind(word!),
      ...(special && { form: special === 'rev' ? 'reverse' : 'twisted' }),
      ...(post && { post: post === 'FP' ? 'front' : 'back' }),
      ...(legs && { form: 'together', legs: Number(legs) }),
      ...(loop && { loop: LOOPS[loop]! }),
    });
  }

  /** “5 hdc”, “(sc, ch 1, sc)”, “hdc”. */
  group(text: string): readonly Stitch[] {
    const inside = /^\((.*)\)$/.exec(text.trim());
    if (inside) return parts(inside[1]!).flatMap((p) => this.group(p));
    const many = /^(\d+) (.+)$/.exec(text.trim());
    if (many) return Array.from({ length: Number(many[1]) }, () => this.stitch(many[2]!));
    return [this.stitch(text)];
  }

  step(text: string): LiteralStep {
    const skip = this.language === 'us' ? 'sk' : 'miss';
    let m = new RegExp(`^${skip} next (?:(\\d+) )?(.+)$`).exec(text);
    if (m) return { do: 'skip', count: Number(m[1] ?? 1), noun: noun(m[2]!) };
    m = /^(.+) around (next|same|skipped|missed) post$/.exec(text);
    if (m) return { do: 'work', what: this.group(m[1]!), noun: 'post', at: when(m[2]!), times: 1 };
    m = /^(.+) in each of next (\d+) (.+)$/.exec(text);
    if (m) return { do: 'work', what: this.group(m[1]!), noun: noun(m[3]!), at: 'next', times: Number(m[2]) };
    m = /^(.+) in (next|same|skipped|missed) (.+)$/.exec(text);
    if (m) return { do: 'work', what: this.group(m[1]!), noun: noun(m[3]!), at: when(m[2]!), times: 1 };
    if (/^\w+?\d+tog\b/.test(text))
      return { do: 'work', what: [this.stitch(text)], noun: 'st', at: 'next', times: 1 };
    return { do: 'make', what: this.stitch(text) };
  }

  /** Words behind “Each side:”. */
  way(text: string): Way {
    const each = /^(.+?) (?:in|around) each (\S+)$/.exec(text);
    if (each && !text.includes('*')) {
      const what = this.group(each[1]!);
      return { head: [], body: [{ do: 'work', what, noun: noun(each[2]!), at: 'next', times: 1 }], tail: [] };
    }
    const m =
      /^(?:(.*?), )?\*(.+?); repeat from \* to (?:the corner|the end of the round|last (?:\d+ )?\S+?)(?:, (.*))?$/.exec(
        text,
      );
    if (!m) {
      if (text.includes('*')) throw new Unclear(`how is “${text}” to be repeated?`);
      return { head: parts(text).map((p) => this.step(p)), body: [], tail: [] };
    }
    const steps = (list: string | undefined): readonly LiteralStep[] =>
      parts(list ?? '').map((p) => this.step(p));
    const way = { head: steps(m[1]), body: steps(m[2]), tail: steps(m[3]) };
    const last = /to last (?:(\d+) )?(?:st|ch-sp|gap|pair|post|between|either)/.exec(text);
    const said = last ? Number(last[1] ?? 1) : 0;
    if (said !== used(way.tail))
      throw new Unclear(`“${text}” ends with ${used(way.tail)} places, it says ${said}`);
    return way;
  }
}

const when = (word: string): 'next' | 'same' | 'skipped' =>
  word === 'missed' ? 'skipped' : (word as 'next' | 'same' | 'skipped');

export function noun(word: string): Noun {
  const one = word.replace(/s$/, '');
  if (['st', 'ch-sp', 'gap', 'pair', 'post', 'between', 'either'].includes(one)) return one as Noun;
  throw new Unclear(`where is a “${word}”?`);
}

/** Places that steps use up. */
export const used = (steps: readonly LiteralStep[]): number =>
  steps.reduce((sum, s) => {
    if (s.do === 'make') return sum;
    if (s.do === 'skip') return sum + s.count;
    return sum + (s.at === 'next' ? s.times * Math.max(...s.what.map(legsTaken)) : 0);
  }, 0);

export const legsTaken = (s: Stitch): number => (s.form === 'together' ? s.legs : 1);

/** “2, 9, every 3rd from 12 to 21 and 30”. */
export function numbers(text: string): readonly number[] {
  return text.split(/,\s*|\s+and\s+/).flatMap((item) => {
    const run = /^(?:each|every (\d+)\w\w) from (\d+) to (\d+)$/.exec(item.trim());
    if (!run) {
      if (!/^\d+$/.test(item.trim())) throw new Unclear(`which are “${text}”?`);
      return [Number(item)];
    }
    const step = Number(run[1] ?? 1);
    const [from, to] = [Number(run[2]), Number(run[3])];
    const count = Math.abs(to - from) / step + 1;
    return Array.from({ length: count }, (_, k) => from + Math.sign(to - from) * k * step);
  });
}

export const ordinalNumber = (text: string): number => Number(/^(\d+)(?:st|nd|rd|th)$/.exec(text)![1]);
