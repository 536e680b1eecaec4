/** One thing has one word: words that are not shown to the maker, whatever the code calls things. */
import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import ts from 'typescript';

/** Each with the word that stands in its place. */
const NOT_SHOWN: readonly (readonly [RegExp, string])[] = [
  [/\bcomes? out even\b|\bnot even\b|\ball even\b/i, 'fits'],
  [/\bfit may choose\b/i, 'let it be chosen to make it fit'],
  [/\blay-flat\b/i, 'flatness'],
  [/\bdraws? in\b/i, 'pulls in'],
  [/\bweigh-ins?\b/i, 'weighing'],
  [/\bput (a border|this one) aside\b|\btake it up\b|\bin hand\b/i, 'save, use, this border'],
  [/\busual side\b/i, 'as it usually faces'],
  [/\b(full|closer|own) rate\b/i, 'spacing'],
  [/\blopsided\b|\boff centre\b/i, 'off center'],
  [/\bmillimetres?\b|\bcentimetres?\b|\bmetres?\b/i, 'meters'],
  [/\b(the|its|their|each) (colour|centre)s?\b|\bgrey\b/i, 'color, center, gray'],
  [/\bproject file\b|\bbundle\b|\bexport\b/i, 'hem file, backup'],
  [/\bstack\b/i, 'rounds'],
  [/\bover-?full\b|\bmodulus\b|\btally\b/i, 'count'],
  [/\bwhich school\b|\bschools?\b/i, 'spacing'],
  [/\bgo round\b|\bround the (post|corner)\b|\ball round\b/i, 'around'],
  [/\bclick\b/i, 'press'],
  [/\bclusters?\b/i, 'group'],
  [/\bquiet change\b/i, 'small adjustment, increase, decrease'],
  [/\bthirsty\b|\bthrifty\b/i, 'uses much yarn, little yarn'],
  [/\bby turns\b/i, 'alternately'],
  [/\bunwinding\b|\boops\b/i, 'plain words'],
  [/\bTake the last step back\b|\bBegun\b|\bJoined, round done\b/, 'undo last step, started, round joined'],
  [/\bis there already\b|\bend more to weave\b|\bThe next step goes on\b/, 'I’ve already started, one form'],
  [
    /\bnot whole yet\b|\bLook about\b|\btaken for a st\b|\bplace may have been worked\b/,
    'what may have happened',
  ],
  [/\bfit what comes\b|\bcomes? off, about\b|\bcome free\b|\bit is good\b/, 'undoes, frees, good through'],
  [/\bgets? surer\b|\bforetold\b|\bStrike\b|\bchains counted too\b/, 'improves, expected, cross out'],
  [/\bhook half a size\b/, 'the size of the hook'],
  [
    /\bstands? in the way\b|\btoo large for a fit\b|\bby hand, \d|\bmakes it so\b/,
    'does not fit, your count',
  ],
  [/\bblocks out\b|\bwill settle\b/, 'flattens with blocking'],
  [/\brules? of thumb\b|\bReckon(ed)? (by|with)\b|\bas reckoned\b/i, 'typical value, usual, as estimated'],
  [/\bOf the next hundred\b|\bin between'|\bas the angle asks\b|\bright above\b/, 'numbers with nouns'],
  [
    /\bas is usual for it\b|\bno rhythm to go by\b|\bWith what is here\b|\bg here\b/,
    'usual, too little logged',
  ],
  [/\beasy or not\b|\bup to intricate\b|\bbasket lasts\b|\bchange that hides\b/, 'any difficulty, advanced'],
  [
    /\bBut for how easy\b|\bnearest to the wish\b|\btruly different\b/,
    'closest to your wish, each different',
  ],
  [
    /\bstops? of the thread\b|\bthread of stops\b|\bwhat it sits in\b|\bfarther\b/i,
    'page, stitch below, zoom',
  ],
  [
    /\bAdd none\b|\btake it out\b|\bout of the basket\b|\bis no number\b|\btook (off|up|out)\b/i,
    'cancel, remove',
  ],
  [
    /\bTake this version\b|\bAsk it not to\b|\bnot a safe\b|\bWith all that was done\b/,
    'restore, protect, not secure',
  ],
  [
    /\bLicences\b|\blobes?\b|\bwavy edge\b|\b(In|De)crease Value\b|\bunsound\b/i,
    'licenses, scalloped, invalid',
  ],
  [
    /\bno hot iron\b|\blead on\b|\balong the top of the plan\b|\blast two loops\b/,
    'the words of printed patterns',
  ],
  [/\bits first part ends\b|\bits last part\b|\bup to where you started\b/, 'the rest of this corner'],
  [/\b(kept|put) (this )?border\b|\bkept border\b/i, 'saved border'],
  [/(half )?\bdoubles\b|\bsingles\b/, 'stitch names in the terms of the maker'],
];

/** Where what is written is shown: of the core, whole rooms, and in every room what is called after its words. */
const FOLDERS = ['app', 'core', 'drawing', 'cli'] as const;
const SHOWN_OF_CORE =
  /^core\/(?:(?:say|print|terms|rounds|edits)\/|.*(?:Words|\/problems|\/tables)\.ts$|base\/(?:spacings|crossings)\.ts$)/;
/** What reads goes on accepting the words of earlier versions. */
const READERS: readonly string[] = ['core/print/readPattern.ts', 'core/say/typed.ts'];

function files(folder: string): readonly string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((f) => {
    const path = `${folder}/${f.name}`;
    if (f.isDirectory()) return f.name === 'testing' ? [] : files(path);
    const isSource = /\.tsx?$/.test(f.name) && !/\.test\.|\.d\.ts$/.test(f.name);
    const isShown = folder.split('/')[0] !== 'core' || SHOWN_OF_CORE.test(path);
    return isSource && isShown && !READERS.includes(path) ? [path] : [];
  });
}

/** Attributes that are read by the machine, not by the maker. */
const UNSEEN = new Set(['className', 'key', 'value', 'kind', 'type', 'role', 'path', 'd', 'id', 'name']);

/** What the code calls things, in more than one word. */
const CODE: ReadonlySet<string> = new Set(['cluster stitch', 'blocks out', 'rule of thumb']);

/** What a source file may show: its texts, and strings of more than one word. */
function shownIn(path: string): readonly string[] {
  const shown: string[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isTypeNode(node)) return;
    if (ts.isJsxAttribute(node) && UNSEEN.has(node.name.getText())) return;
    // Said to whoever mends the code.
    if (ts.isCallExpression(node) && node.expression.getText() === 'held') return;
    // A comparison is with what the code calls it.
    if (ts.isBinaryExpression(node) && /^[!=]==$/.test(node.operatorToken.getText())) return;
    if (ts.isJsxText(node)) shown.push(` ${node.text} `);
    else if (
      ts.isStringLiteralLike(node) ||
      ts.isTemplateHead(node) ||
      ts.isTemplateMiddleOrTemplateTail(node)
    )
      shown.push(node.text);
    ts.forEachChild(node, visit);
  };
  visit(
    ts.createSourceFile(
      path,
      readFileSync(path, 'utf8'),
      ts.ScriptTarget.Latest,
      true,
      path.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
    ),
  );
  return shown.map((s) => s.replace(/\s+/g, ' ')).filter((s) => s.includes(' ') && !CODE.has(s));
}

describe('what the maker reads', () => {
  const all = FOLDERS.flatMap(files)
    .filter((path) => !path.endsWith('wordsOfLinks.ts'))
    .map((path) => [path, shownIn(path)] as const);

  test('is looked through', () => {
    expect(all.length).toBeGreaterThan(100);
    const texts = all.flatMap(([, shown]) => shown);
    expect(texts.length).toBeGreaterThan(1000);
    expect(texts.some((t) => t.includes('Rest your hands'))).toBe(true);
  });

  test.each(NOT_SHOWN)('does not say %s, but %s', (word) => {
    const found = all.flatMap(([path, shown]) =>
      shown.filter((s) => word.test(s)).map((s) => `${path}: ${s}`),
    );
    expect(found).toEqual([]);
  });
});
