import { useEffect, useState } from 'react';
import { fileName } from '../../core/document/fileName.ts';
import type { Plan } from '../../core/plan/types.ts';
import { canShare, shareFile } from '../storage/share.ts';
import { Button } from '../look/Button.tsx';
import { useTheme } from '../look/ThemeAndNotices.tsx';
import { THEMES } from '../look/tokens.ts';
import { saveBlob } from '../storage/exports.ts';
import { cardLines, paintCard } from './card.ts';
import styles from './finish.module.css';
import bench from './work.module.css';

/** A card of the finished piece: its picture, name, size, yarn and hours, to be kept or given away. */
export function FinishCard({ plan }: { readonly plan: Plan }) {
  const { ground, ink, quiet, thread } = THEMES[useTheme()];
  const [card, setCard] = useState<{ readonly file: File; readonly url: string } | null>(null);
  const [failed, setFailed] = useState(false);
  useEffect(() => {
    let over = false;
    let url: string | null = null;
    paintCard(plan, { ground, ink, quiet, thread })
      .then((blob) => {
        if (over) return;
        url = URL.createObjectURL(blob);
        setCard({ file: new File([blob], fileName(plan.hem.name, '.png'), { type: 'image/png' }), url });
      })
      .catch(() => setFailed(true));
    return () => {
      over = true;
      if (url) URL.revokeObjectURL(url);
    };
  }, [plan, ground, ink, quiet, thread]);
  if (failed) return <p className="quiet small">This browser cannot paint a card of it.</p>;
  if (!card) return <p className="quiet small">Painting a card of it …</p>;
  return (
    <>
      <img className={styles.card} src={card.url} alt={[plan.hem.name, ...cardLines(plan)].join('. ')} />
      <p className={bench.tools}>
        <Button onClick={() => saveBlob(card.file.name, card.file)}>Save the card</Button>
        {canShare(card.file) && (
          <Button onClick={() => void shareFile(card.file, plan.hem.name)}>Share the card</Button>
        )}
      </p>
    </>
  );
}
