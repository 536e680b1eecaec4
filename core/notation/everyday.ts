/**
 * A round in the words that patterns use, brought to the lines of written crochet: “Rnd 2: Ch 1, *sk 1, 5 dc in next st;
 * rep from * around, join with sl st.” Only what stands round the crochet changes; a text that is written crochet already
 * stays as it is.
 */

/** Beginnings and ends of rounds that say nothing of their stitches. */
const BEGINNING = /^(?:r(?:ou)?nds?|rows?)\s*\d+(?:\s*(?:-|–|to)\s*\d+)?\s*[:.)]\s*/i;
const STARTING_CHAIN =
  /^(?:turn[,.;]?\s*)?ch\s*\d+\s*(?:\((?:does not count|counts)[^)]*\)|(?:,\s*)?(?:does not count|counts) as (?:a |the first )?(?:st|stitch|sc|dc|hdc)\w*)\s*[,.;]\s*/i;
const JOINING =
  /[,.;]\s*(?:then\s+)?(?:join|sl st|ss)\b[^,;*]*?\b(?:join|first|top|beginning|beg)\b[^,;*]*\.?\s*$/i;
const JOIN_ALONE = /[,.;]\s*join(?:\s+(?:the\s+)?round|\s+with\s+(?:an?\s+)?(?:sl st|ss))?[^,;*]*\.?\s*$/i;
const TURNING = /[,.;]\s*(?:do not turn|turn|fasten off)\s*\.?\s*$/i;

const LABEL =
  /^\s*(side|round|each side|all (?:a)?round|corner|corners|off cent(?:er|re)|lopsided|around|pair|facing|surface)\b[^:]*:/i;

/** A repeat told in words behind its one asterisk. */
const REPEAT =
  /\*\s*([^*]*?)\s*[;,.]?\s*(?:,\s*)?\b(?:rep|repeat)\s+from\s+\*(?:\s+to\s+\*)?(?:\s+(?:around|across|to\s+(?:the\s+)?(?:next\s+)?(?:corner|end(?:\s+of\s+(?:the\s+)?(?:round|rnd|side))?)|to\s+(?:the\s+)?last\s+(?:\d+\s+)?(?:sts?|stitch(?:es)?|ch-sps?|gaps?|pairs?|posts?)(?:\s+before\s+the\s+corner)?))?/i;

/** Corners told at the end of a round: “sc in each st around, working 3 sc in each corner”. */
const CORNERS =
  /[,;.]?\s*(?:and\s+|with\s+|working\s+|work\s+)*((?:\([^()]*\)|\d+\s+[a-z ]+?))\s+in\s+(?:each|every)\s+corner(?:\s+(?:st|stitch|sp|space|ch-\d+ sp))?\s*(?=[,.;]|$)/i;

/** A picot in its own words: “ch 3, sl st in first ch”. */
const PICOT = /\bch (\d+),? (?:sl st|ss) in (?:the )?(?:first|1st) ch(?: (?:from|of) (?:the )?hook)?\b/gi;
/** A ball of its own chains: “ch 3, dc5tog in first ch”. */
const DOT =
  /\bch 3,? (?:5-(?:dc|tr) bobble|(?:dc|tr)5tog|5 (?:dc|tr) (?:tog|together)) in (?:the )?(?:first|1st) ch(?: made)?\b/gi;

/** One in each place, told with how far it goes. */
const EACH =
  /\b((?:in (?:3rd l(?:oo)?p of )?each (?:st (?:and|or) ch-sp|(?:ch-)?sp between (?:sts|stitches)|st|stitch|ch-sp|gap|sp)|between each (?:st|stitch|post)))\s+(?:around|across|to the corner)\b/gi;

/** One line of a round, or several, as written crochet. */
export function everyday(text: string): string {
  return (
    text
      // One space for many: else a long run of them would be looked through again and again.
      .replace(/[ \t]{2,}/g, ' ')
      .split('\n')
      .map((line) => (LABEL.test(line) && !BEGINNING.test(line) ? withRepeat(line) : plainLine(line)))
      .join('\n')
  );
}

function plainLine(line: string): string {
  const bare = line.replace(BEGINNING, '');
  if (bare.trim() === '' || LABEL.test(bare)) return withRepeat(bare);
  const told = bare
    .replace(STARTING_CHAIN, '')
    .replace(TURNING, '')
    .replace(JOINING, '')
    .replace(JOIN_ALONE, '');
  const corner = CORNERS.exec(told)?.[1];
  const crochet = withRepeat(told.replace(CORNERS, '')).trim();
  if (crochet === '') return '';
  return `side: ${crochet}${corner === undefined ? '' : `\ncorner: ${corner.trim()} in corner`}`;
}

function withRepeat(line: string): string {
  const label = LABEL.exec(line)?.[0] ?? '';
  const told = line
    .slice(label.length)
    .replace(REPEAT, '*$1*')
    .replace(PICOT, (_, chains: string) => (chains === '3' ? 'picot' : `picot of ${chains}`))
    .replace(DOT, 'dot')
    .replace(/\bin last (\d+) (sts?|stitches)\b/gi, 'in each of next $1 $2')
    .replace(/\bin last (st|stitch)\b/gi, 'in next $1')
    .replace(EACH, '$1')
    .replace(/\bin next (\d+) (sts|stitches)\b/gi, 'in each of next $1 $2')
    .replace(/\]\s*(twice)\b/gi, '] 2 times')
    .replace(/\]\s*(\d+)\s*x\b/gi, '] $1 times');
  return label + told.replace(/\s*\.\s*$/, '');
}
