import { held } from '../../core/held.ts';
import { useEffect, useRef, useState } from 'react';
import { photoOf } from '../storage/photos.ts';
import styles from './work.module.css';

/** A photo that was kept; where it is kept in another browser, that is said. */
export function KeptPhoto({ hem, name }: { readonly hem: string; readonly name: string }) {
  const [photo, setPhoto] = useState<Blob | null>(null);
  const [missing, setMissing] = useState(false);
  useEffect(() => {
    let over = false;
    photoOf(hem, name).then(
      (found) => {
        if (over) return;
        setPhoto(found);
        setMissing(found === null);
      },
      () => setMissing(true),
    );
    return () => {
      over = true;
    };
  }, [hem, name]);
  if (missing) return <span className="quiet small"> The photo is not in this browser.</span>;
  return photo && <Photo photo={photo} />;
}

/** A photo of the work. */
export function Photo({ photo }: { readonly photo: Blob }) {
  const image = useRef<HTMLImageElement>(null);
  useEffect(() => {
    const url = URL.createObjectURL(photo);
    held(image.current, 'it is on the page while effects and events run').src = url;
    return () => URL.revokeObjectURL(url);
  }, [photo]);
  return <img ref={image} className={styles.photo} alt="The work, laid flat" />;
}
