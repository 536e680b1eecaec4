import { daysOf } from '../../core/log/log.ts';
import type { Plan } from '../../core/plan/types.ts';
import { plural, rangeWords, sizeWords, timeWords } from '../../core/say/measures.ts';
import { context2d } from '../../drawing/context2d.ts';
import { pictureOf } from '../workers/picture.ts';

/** Size of a card, pixels. */
const WIDTH = 1080;
const HEIGHT = 1350;
const MARGIN = 72;
/** Height of the words below the picture. */
const WORDS = 330;

interface CardColours {
  readonly ground: string;
  readonly ink: string;
  readonly quiet: string;
  readonly thread: string;
}

/** Minutes with the hook in hand, by the record. */
const minutesWorked = ({ hem }: Plan): number =>
  daysOf([hem.record], (at) => at.slice(0, 10)).reduce((sum, day) => sum + day.minutes, 0);

/** Lines of a card below its name: size, yarn and time, each as far as it is known. */
export function cardLines(plan: Plan): readonly string[] {
  const { length } = plan.hem.preferences;
  const used = plan.yarns.filter((y) => y.quantity.grams > 0);
  const grams = used.reduce((sum, y) => sum + y.quantity.grams, 0);
  const spread = Math.max(0, ...used.map((y) => y.quantity.spread));
  const minutes = minutesWorked(plan);
  return [
    sizeWords(plan.finishedSize, length),
    `${used.map((y) => y.yarn.name).join(', ')}: about ${rangeWords(grams, spread)} g`,
    [
      plural(plan.rounds.length, 'round'),
      plural(
        plan.rounds.reduce((sum, r) => sum + r.total, 0),
        'stitch',
      ),
      ...(minutes >= 1 ? [`${timeWords(minutes)} of crochet`] : []),
    ].join(' · '),
  ];
}

/** Paints a card of a border. Rejects where the browser cannot. */
export async function paintCard(plan: Plan, { ground, ink, quiet, thread }: CardColours): Promise<Blob> {
  const blob = await pictureOf(plan.hem, ground, WIDTH).done;
  const picture = await createImageBitmap(blob);
  const canvas = document.createElement('canvas');
  canvas.width = WIDTH;
  canvas.height = HEIGHT;
  const context = context2d(canvas);
  context.fillStyle = ground;
  context.fillRect(0, 0, WIDTH, HEIGHT);
  const room = { width: WIDTH - 2 * MARGIN, height: HEIGHT - MARGIN - WORDS };
  const scale = Math.min(room.width / picture.width, room.height / picture.height);
  const [w, h] = [picture.width * scale, picture.height * scale];
  context.drawImage(picture, (WIDTH - w) / 2, MARGIN + (room.height - h) / 2, w, h);
  const font = getComputedStyle(document.body).fontFamily || 'sans-serif';
  context.textAlign = 'center';
  context.fillStyle = thread;
  context.fillRect(WIDTH / 2 - 60, HEIGHT - WORDS + 42, 120, 6);
  const write = (text: string, size: number, y: number, colour: string, weight: number): void => {
    context.font = `${weight} ${size}px ${font}`;
    context.fillStyle = colour;
    context.fillText(text, WIDTH / 2, y, WIDTH - 2 * MARGIN);
  };
  write(plan.hem.name, 62, HEIGHT - WORDS + 126, ink, 650);
  cardLines(plan).forEach((line, k) => write(line, 34, HEIGHT - WORDS + 186 + 46 * k, quiet, 450));
  return new Promise((resolve, reject) => {
    canvas.toBlob((made) => (made ? resolve(made) : reject(new Error('The card could not be painted'))));
  });
}
