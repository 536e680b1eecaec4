/** A stand-in for a yarn shop: an invented catalogue that can be searched. It says that it is simulated. */
import { Router } from 'express';
import type { YarnWeightNumber } from '../core/terms/yarnWeights.ts';
import type { ShopYarn } from '../core/yarn/shopYarn.ts';

const COLOURS = [
  { name: 'Chalk', hex: '#f3efe4' },
  { name: 'Ember', hex: '#c4512d' },
  { name: 'Kelp', hex: '#4d6b4a' },
  { name: 'Dusk', hex: '#3c4470' },
  { name: 'Rosehip', hex: '#b5533c' },
  { name: 'Straw', hex: '#dcb964' },
  { name: 'Heather', hex: '#8a6fa3' },
  { name: 'Tide', hex: '#5f93ad' },
] as const;

const yarn = (
  name: string,
  weight: YarnWeightNumber,
  fibre: string,
  metresPer100G: number,
  ballG: number,
  diameterMm: number,
  price: number,
  from: number,
): ShopYarn => ({
  id: name.toLowerCase().replaceAll(' ', '-'),
  name,
  weight,
  fibre,
  metresPer100G,
  ballG,
  diameterMm,
  price,
  colours: Array.from({ length: 4 }, (_, i) => COLOURS[(from + 2 * i) % COLOURS.length]!),
});

const CATALOGUE: readonly ShopYarn[] = [
  yarn('Cobweb lace', 0, 'wool', 760, 25, 0.9, 5.9, 0),
  yarn('Plover fine', 1, 'wool and nylon', 410, 50, 1.4, 6.4, 1),
  yarn('Sandbar sport', 2, 'cotton', 300, 50, 1.8, 4.1, 2),
  yarn('Fernbank DK', 3, 'wool', 230, 50, 2.2, 4.6, 3),
  yarn('Larder DK', 3, 'acrylic', 260, 100, 2.2, 3.2, 4),
  yarn('Mill cotton DK', 3, 'cotton', 215, 50, 2.2, 3.9, 5),
  yarn('Tarn worsted', 4, 'wool', 190, 50, 2.9, 4.2, 6),
  yarn('Wick worsted', 4, 'acrylic', 200, 100, 2.9, 3.4, 7),
  yarn('Barley aran', 4, 'wool and alpaca', 175, 50, 3, 5.8, 1),
  yarn('Peat chunky', 5, 'wool', 120, 100, 3.8, 7.2, 2),
  yarn('Drift chunky', 5, 'acrylic', 130, 100, 3.8, 4.4, 3),
  yarn('Boulder', 6, 'wool', 70, 100, 5.5, 8.1, 4),
];

/** Routes of the shop. */
export function shopRoutes(): Router {
  const router = Router();
  router.get('/yarns', (req, res) => {
    const text = typeof req.query.q === 'string' ? req.query.q.toLowerCase().slice(0, 60) : '';
    const weight =
      typeof req.query.weight === 'string' && req.query.weight !== '' ? Number(req.query.weight) : null;
    const found = CATALOGUE.filter(
      (y) =>
        (weight === null || y.weight === weight) &&
        (text === '' ||
          `${y.name} ${y.fibre} ${y.colours.map((c) => c.name).join(' ')}`.toLowerCase().includes(text)),
    );
    res.json({ simulated: true, yarns: found });
  });
  return router;
}
