import { useEffect, useState } from 'react';
import { settledOn } from './stable.ts';
import { Button } from '../look/Button.tsx';
import styles from './scale.module.css';
import { NumberField } from '../look/NumberField.tsx';

const KEPT = 20;
/** Less than this is an empty pan that drifts. */
const LEAST_G = 0.5;

const post = (path: string, body?: unknown): Promise<Response> =>
  fetch(`/api/scale/${path}`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });

/** The stand-in for a kitchen scale: its readings, and the weight it settles on. */
export function Scale({ onReading }: { readonly onReading: (grams: number) => void }) {
  const [readings, setReadings] = useState<readonly number[]>([]);
  const [reachable, setReachable] = useState(true);
  const [load, setLoad] = useState(46);
  useEffect(() => {
    const source = new EventSource('/api/scale/readings');
    source.onmessage = (event: MessageEvent<string>) => {
      const { grams } = JSON.parse(event.data) as { grams: number };
      setReachable(true);
      setReadings((before) => [...before.slice(1 - KEPT), grams]);
    };
    source.onerror = () => setReachable(false);
    return () => source.close();
  }, []);
  const settled = settledOn(readings);
  const now = readings[readings.length - 1];
  const send = (path: string, body?: unknown): void => {
    setReadings([]); // a weight from before has not settled on what lies on the pan now
    void post(path, body).then(
      (r) => setReachable(r.ok),
      () => setReachable(false),
    );
  };
  return (
    <div className={`kitchen-scale ${styles.scale}`} role="group" aria-label="Kitchen scale">
      <p className="caution small">
        Simulated scale: no real one is connected. Enter a weight and put it on.
      </p>
      {!reachable && <p className="quiet small">The scale does not answer. Type the weight in yourself.</p>}
      <p className={settled === null ? styles.display : `${styles.display} ${styles.settled}`}>
        {now === undefined ? '–' : `${now.toFixed(1)} g`}{' '}
        <span className="small">{settled === null ? 'settling …' : 'steady'}</span>
      </p>
      <div className={styles.fields}>
        <NumberField
          size="small"
          aria-label="On the pan"
          min={0}
          max={5000}
          unit="g"
          suffix="g on the pan"
          value={load}
          onChange={(v) => v !== null && setLoad(v)}
        />
        <Button onClick={() => send('pan', { grams: load })}>Put it on</Button>
        <Button onClick={() => send('tare')}>Set to zero</Button>
        <Button
          type="primary"
          disabled={settled === null || settled < LEAST_G}
          onClick={() => settled !== null && onReading(settled)}
        >
          Take this reading
        </Button>
      </div>
    </div>
  );
}
