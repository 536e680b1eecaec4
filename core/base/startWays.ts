/** Ways to begin and to close rounds, as files and kept habits name them, in the order in which they are offered. */
export const START_WAYS = {
  at: [
    'corner',
    'whole corner',
    'stitch of the corner',
    'before the space',
    'before the corner',
    'along the side',
    'middle of the side',
    'counted',
  ],
  join: ['centred', 'climbing'],
  first: ['usual', 'chain', 'counted chain', 'stacked', 'drawn up', 'standing'],
  newYarn: ['same place', 'next corner'],
  colour: ['anew', 'closing slip stitch', 'last yarn over'],
  lastRow: ['cut', 'right side', 'wrong side'],
  close: ['slip stitch', 'stitch', 'chain and stitch', 'spiral'],
  ends: ['crocheted over', 'woven in'],
  ending: ['slip stitch', 'needle'],
} as const;
