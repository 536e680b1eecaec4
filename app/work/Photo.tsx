import { useEffect, useState } from 'react';
import { photoOf } from '../storage/photos.ts';
import styles from './work.module.css';

/** A photo of the work; where it is kept in another browser, that is said. */
export function Photo({ hem, name }: { readonly hem: string; readonly name: string }) {
  const [url, setUrl] = useState<string | null>(null);
  const [missing, setMissing] = useState(false);
  useEffect(() => {
    let made: string | null = null;
    let over = false;
    photoOf(hem, name).then(
      (blob) => {
        if (over) return;
        if (blob) setUrl((made = URL.createObjectURL(blob)));
        else setMissing(true);
      },
      () => setMissing(true),
    );
    return () => {
      over = true;
      if (made) URL.revokeObjectURL(made);
    };
  }, [hem, name]);
  if (missing) return <span className="quiet small"> The photo is not in this browser.</span>;
  return url && <img className={styles.photo} src={url} alt="The work, laid flat" />;
}
