/** Ways to join pieces, as files name them, in the order in which they are offered. */
export const JOIN_IDS = [
  'not joined',
  'slip stitch',
  'single crochet',
  'flat',
  'sewn',
  'as they are made',
] as const;
