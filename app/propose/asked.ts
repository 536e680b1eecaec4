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
  const fromBasket = asked.has('basket');
  const widthCm = number('width') ?? (minutes === null && !fromBasket ? USUAL_WIDTH : null);
  return { ...NO_WISH, widthCm, minutes, fromBasket };
}
