/** The wish that a link brings along, from where it arose. */
import { NO_WISH, type Wish } from '../../core/propose/wish.ts';

/** How wide a border is proposed where nothing is wished, cm. */
const USUAL_WIDTH = 4;

export function wishAsked(asked: URLSearchParams): Wish {
  const number = (key: string): number | null => {
    const value = Number(asked.get(key));
    return Number.isFinite(value) && value > 0 ? value : null;
  };
  const minutes = number('minutes');
  const basket = asked.has('useup') ? 'used up' : asked.has('basket') ? 'enough' : 'any';
  const [across, down] = [number('across'), number('down')];
  const size = across === null && down === null ? null : { widthCm: across, heightCm: down };
  const open = minutes !== null || basket !== 'any' || size !== null;
  const widthCm = number('width') ?? (open ? null : USUAL_WIDTH);
  return { ...NO_WISH, widthCm, size, minutes, basket, onRounds: asked.has('on') };
}
