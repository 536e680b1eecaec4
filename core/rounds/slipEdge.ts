import { family, choiceStitchWords } from './family.ts';

/** Slip stitches all round, with no increase. */
export const slipEdge = family({
  id: 'slip-edge',
  name: 'Slip stitch edge',
  about: 'A firm, flat line; in the third loop it lies as a cord along the edge.',
  stitches: ['slst'],
  corners: ['walk'],
  loops: ['third', 'both', 'back'],
  repeatable: true,
  write: (choice) => `side: *${choiceStitchWords(choice)} in next st*
corner: walk round`,
});
