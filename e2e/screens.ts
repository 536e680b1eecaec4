/** Addresses of every screen, with the demos that show most on them. */

export const OF_ALL = ['/', '/stitches', '/licences', '/log', '/hands', '/practice'];

export const OF_A_HEM = [
  '/hem/demo-clover/carry',
  '/hem/demo-harbour-throw/propose',
  '/hem/demo-clover/log',
  ...['piece', 'base', 'rounds', 'yarn', 'pattern', 'work'].map(
    (stop) => `/hem/demo-orchard-squares/${stop}`,
  ),
];
