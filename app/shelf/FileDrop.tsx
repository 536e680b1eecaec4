import { useState, type ReactNode } from 'react';
import styles from './shelf.module.css';

interface Props {
  readonly onFiles: (files: readonly File[]) => void;
  readonly children: ReactNode;
}

/** The whole page, onto which files can be dropped. */
export function FileDrop({ onFiles, children }: Props) {
  const [over, setOver] = useState(false);
  return (
    <div
      className={over ? `${styles.shelf} ${styles.over}` : styles.shelf}
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={(e) => {
        if (!e.currentTarget.contains(e.relatedTarget as Node | null)) setOver(false);
      }}
      onDrop={(e) => {
        e.preventDefault();
        setOver(false);
        onFiles([...e.dataTransfer.files]);
      }}
    >
      {children}
    </div>
  );
}
