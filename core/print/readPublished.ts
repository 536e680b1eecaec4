/**
 * Reads a round that is told in one sentence, as published patterns have it, into the lines of a pattern: “*sc in each st to next
 * marked st, 3 sc in marked st, pm in 2nd; rep from * 3 more times” is a side and a corner.
 */

/** A round as a sentence tells it. */
export type PublishedRound =
  | { readonly is: 'told'; readonly lines: readonly string[] }
  /** Worked as another round. */
  | { readonly is: 'as'; readonly number: number; readonly lines: readonly string[] };

/** The round of a sentence; null where it is no such sentence. @param text without the number of the round */
export function publishedRound(text: string): PublishedRound | null {
  const as = /^as (?:base (?:rnd|row)|(?:r(?:ou)?nd|row) (\d+))\b[^*]*$/i.exec(
    text.replace(ROW_FACE, '').trim(),
  );
  if (as) return { is: 'as', number: Number(as[1] ?? 0), lines: rowFace(text) };
  const row = publishedRow(text);
  if (row) return row;
  const face = faceLines(text);
  // What is done along the sides stands in lines of its own.
  if (
    /\b(?:go on (?:along|all around)|the rest of corner \S+ ends|work corner \S+ first|begin (?:with (?:repeat|the first)|within repeat|before the repeats)|is knotted in)\b/i.test(
      text,
    )
  )
    return { is: 'told', lines: face };
  const all = items(text.replace(/^.*?(?=\*|\[)/, ''));
  const around = all.map((t) => /^\[(.+)\] around$/.exec(t)?.[1]).find((t) => t !== undefined);
  if (around !== undefined)
    return { is: 'told', lines: [...face, `All around: *${around}; repeat from * to the end of the round.`] };
  const each = /(?:^|, )([^,;*[\]]+ (?:in|around) each \S+) around(?=[,;.]|$)/.exec(text)?.[1];
  if (each !== undefined && !/\*|\bcorner\b/.test(text))
    return { is: 'told', lines: [...face, `All around: ${each}.`] };
  const from = all.findIndex((t) => t.startsWith('*'));
  const to = all.findIndex((t, i) => i > from && /^rep(?:eat)? from \*/i.test(t));
  if (from < 0 || to < 0) return face.length > 0 ? { is: 'told', lines: face } : null;
  const told = all.slice(from, to).map((t) => t.replace(/^\*/, ''));
  const corner = told.findIndex(isCorner);
  if (corner < 0) return null;
  const side = [...told.slice(corner + 1), ...told.slice(0, corner)].filter((t) => !isMark(t));
  return {
    is: 'told',
    lines: [...face, `Each side: ${side.map(sideItem).join(', ')}.`, `Corner: ${cornerItem(told[corner]!)}.`],
  };
}

/**
 * A row of a sentence: “(WS): Ch 1, sc in first st, sc in each st to next marked st, 3 sc in marked st, pm in 2nd, sc in each st
 * across; turn”. Its first side and its first corner stand for the others; null where it is no such sentence.
 */
function publishedRow(text: string): PublishedRound | null {
  const facing = rowFace(text);
  const goesAcross = /\bacross\b|\bin last st\b/i.test(text);
  if (facing.length === 0 && (!goesAcross || /\*/.test(text))) return null;
  const lines = [...facing, ...faceLines(text)];
  if (!goesAcross) return { is: 'told', lines };
  const all = items(text.replace(ROW_FACE, '')).filter((t) => !/^turn$/i.test(t));
  const told = all.slice(all.findLastIndex((t) => BEGINS.test(t)) + 1);
  const corner = told.findIndex(isCorner);
  const side = (corner < 0 ? told : told.slice(0, corner)).filter(
    (t) => !/\b(?:in|around) last st$/i.test(t),
  );
  if (side.length === 0) return { is: 'told', lines };
  const words = side.map((t) => sideItem(acrossItem(t))).join(', ');
  return {
    is: 'told',
    lines: [
      ...lines,
      `Each side: ${words}.`,
      ...(corner < 0 ? [] : [`Corner: ${cornerItem(told[corner]!)}.`]),
    ],
  };
}

/** Face of a row, as it stands before its words. */
const ROW_FACE = /^\(([RW]S)\):? ?/i;

function rowFace(text: string): readonly string[] {
  const face = ROW_FACE.exec(text)?.[1];
  if (face === undefined) return [];
  return [
    /ws/i.test(face)
      ? 'Turn. The wrong side faces you in this round.'
      : 'Turn back: the right side faces you again.',
  ];
}

/** Items with which a row begins in its end stitch. */
const BEGINS =
  /\(counts as |\b(?:in|around) (?:the )?(?:same|first|post of first) ?(?:st|place|post)?$|\bwith a standing .+ first st$|^join\b/i;

/** An item up to the end of a row, as one up to a corner: the end stitch is none of the places of a side. */
function acrossItem(item: string): string {
  const last = /^(\[.+\]) across to last (?:(\d+) )?(sts?|posts?)$/i.exec(item);
  if (last) {
    const count = Number(last[2] ?? 1) - 1;
    const before = count === 0 ? '' : `last ${count === 1 ? '' : `${count} `}${last[3]!} before `;
    return `${last[1]!} across to ${before}next corner`;
  }
  return item
    .replace(/^(\[.+\]) across to (last .+)$/i, '$1 across to $2 before next corner')
    .replace(/^(.+ (?:in|around) each \S+(?: and \S+)?) (?:across|to last st)$/i, '$1 to next corner');
}

const isMark = (t: string): boolean => /^(?:pm|place (?:a )?marker)\b/i.test(t);

const isCorner = (t: string): boolean =>
  /\b(?:in|over|between) (?:first and .+ in 2nd )?(?:the )?(?:next )?(?:marked|corner)\b/i.test(t) &&
  !/\b(?:to|before) (?:the )?(?:next|last)\b/i.test(t);

/** Splits at commas and semicolons that stand in no bracket. */
function items(text: string): readonly string[] {
  const found: string[] = [];
  let depth = 0;
  let from = 0;
  for (let i = 0; i <= text.length; i++) {
    const letter = text[i] ?? ';';
    if ('(['.includes(letter)) depth++;
    if (')]'.includes(letter)) depth--;
    if ((',;'.includes(letter) && depth <= 0) || i === text.length) {
      found.push(text.slice(from, i).trim());
      from = i + 1;
    }
  }
  return found.filter((t) => t !== '').map((t) => t.replace(/\.$/, ''));
}

function sideItem(item: string): string {
  const repeated =
    /^\[(.+)\] (?:across )?to (?:the )?(?:last ((?:\d+ )?\S+) before )?(?:the )?next \S+.*$/i.exec(item);
  if (repeated)
    return `*${repeated[1]!}; repeat from * to ${repeated[2] === undefined ? 'the corner' : `last ${repeated[2]}`}`;
  return item.replace(/^(.+ (?:in|around) each \S+) (?:across )?to (?:the )?next .+$/i, '$1');
}

const cornerItem = (item: string): string =>
  item
    .replace(/ in first and (.+) in 2nd marked st$/i, ' in the first of the two corner sts, $1 in the second')
    .replace(
      /\b(in|over) (?:the )?(?:next )?(?:marked|corner)\b(?: (st|ch-\d+ sp|sp|picot|space))?/i,
      '$1 the corner $2',
    );

/** The face of the round, as the lines of a pattern say it. */
function faceLines(text: string): readonly string[] {
  const onFace = /\bwork on the face of /i.test(text) ? ['Work on the face of another round.'] : [];
  if (/\bturn\b[^.;]*[.;]\s*WS facing/i.test(text))
    return ['Turn. The wrong side faces you in this round.', ...onFace];
  return [
    ...(/\bRS facing again/i.test(text) ? ['Turn back: the right side faces you again.'] : []),
    ...onFace,
  ];
}
