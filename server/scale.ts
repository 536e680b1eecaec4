/**
 * A stand-in for a kitchen scale: what is put on its pan comes back ten times a second as server-sent events,
 * with noise, a slow drift and the swing after a change. It says that it is simulated.
 */
import { Router, json } from 'express';

export interface ScaleReading {
  readonly simulated: true;
  readonly grams: number;
}

/** A scale whose clock and chance come in as parameters. */
export class SimulatedScale {
  private onPan = 0;
  private shown = 0;
  private zero = 0;
  private drift = 0;

  constructor(private readonly chance: () => number) {}

  put(grams: number): void {
    this.onPan = grams;
  }

  /** Tares the scale: the load on the pan counts as nothing from now on. */
  tare(): void {
    this.zero = this.onPan + this.drift;
  }

  /** The next reading: the pan settles towards its load, drifts a little and trembles. */
  read(): ScaleReading {
    this.shown += (this.onPan - this.shown) * 0.35;
    this.drift += (this.chance() - 0.5) * 0.01;
    const noise = (this.chance() - 0.5) * 0.12;
    return { simulated: true, grams: Math.round((this.shown + this.drift + noise - this.zero) * 10) / 10 };
  }
}

/** Pages that may listen at once, and how long each of them: it listens anew by itself after that. */
const MOST_LISTENERS = 8;
const LISTENS_MS = 10 * 60_000;

/** Routes of the scale: readings as events, what is put on the pan, and tare. */
export function scaleRoutes(scale: SimulatedScale): Router {
  const router = Router();
  let listeners = 0;
  router.get('/readings', (_, res) => {
    if (listeners >= MOST_LISTENERS) {
      res.status(429).json({ problem: 'enough pages listen to the scale already' });
      return;
    }
    listeners++;
    res.set({ 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' });
    res.flushHeaders();
    const timer = setInterval(() => res.write(`data: ${JSON.stringify(scale.read())}\n\n`), 100);
    const over = setTimeout(() => res.end(), LISTENS_MS);
    res.on('close', () => {
      listeners--;
      clearInterval(timer);
      clearTimeout(over);
    });
  });
  router.post('/pan', json({ limit: '1kb' }), (req, res) => {
    const grams: unknown = (req.body as { grams?: unknown } | undefined)?.grams;
    if (typeof grams !== 'number' || !(grams >= 0 && grams <= 5000)) {
      res.status(400).json({ problem: 'grams must be a number from 0 to 5000' });
      return;
    }
    scale.put(grams);
    res.status(204).end();
  });
  router.post('/tare', (_, res) => {
    scale.tare();
    res.status(204).end();
  });
  return router;
}
