/** The wish that a link brings along, from where it arose. */
import { LOOKS, WISH_SKILLS, type Wish } from '../../core/propose/wish.ts';

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
  const one = <T extends string>(key: string, of: readonly T[]): T | null =>
    of.find((word) => word === asked.get(key)) ?? null;
  return {
    widthCm: asked.get('width') === 'any' ? null : widthCm,
    size,
    minutes,
    basket,
    look: one('look', LOOKS),
    notLook: one('not', LOOKS),
    skill: one('skill', WISH_SKILLS),
    noLooseParts: asked.has('noloose'),
    onRounds: asked.has('on'),
  };
}

/** A wish as a link brings it along. */
export function askedFor(wish: Wish): URLSearchParams {
  const asked = new URLSearchParams();
  const put = (key: string, value: string | number | null): void => {
    if (value !== null) asked.set(key, String(value));
  };
  put('width', wish.widthCm ?? 'any');
  put('across', wish.size?.widthCm ?? null);
  put('down', wish.size?.heightCm ?? null);
  put('minutes', wish.minutes);
  put('useup', wish.basket === 'used up' ? '' : null);
  put('basket', wish.basket === 'enough' ? '' : null);
  put('look', wish.look);
  put('not', wish.notLook);
  put('skill', wish.skill);
  put('noloose', wish.noLooseParts ? '' : null);
  put('on', wish.onRounds ? '' : null);
  return asked;
}
