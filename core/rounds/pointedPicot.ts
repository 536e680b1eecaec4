import { family } from './family.ts';

/** Points that rise and fall, with a picot on top. */
export const pointedPicot = family({
  id: 'pointed-picot',
  name: 'Pointed picot',
  about: 'Points that rise and fall, with a picot at each tip.',
  edge: 'lobed',
  write:
    () => `side: sl st in next st, *sc in next st, hdc in next st, (dc, picot, dc) in next st, hdc in next st, sc in next st, sl st in next st*
corner: (hdc, dc, picot, dc, hdc) in corner`,
});
