import { Button } from '../look/Button.tsx';
import { useNotices } from '../look/notices.tsx';
import { whenWords } from '../look/when.ts';
import { library, type bin } from '../storage/here.ts';
import { withWarning } from './telling.ts';
import styles from './shelf.module.css';

interface Props {
  readonly binned: Awaited<ReturnType<typeof bin>>;
  readonly onChange: () => void;
}

/** Hems deleted in the last 30 days. */
export function BinList({ binned, onChange }: Props) {
  const notices = useNotices();
  return (
    <details className={styles.bin}>
      <summary>Bin ({binned.length})</summary>
      <ul>
        {binned.map((b) => (
          <li key={b.id}>
            {b.name} <span className="quiet small">deleted {whenWords(b.deleted, new Date())}</span>
            <Button
              size="small"
              onClick={() => void withWarning(notices, () => library.putBack(b.id)).then(onChange)}
            >
              Put {b.name} back
            </Button>
          </li>
        ))}
      </ul>
      <p className="quiet small">
        What is in the bin stays for 30 days.{' '}
        <Button
          size="small"
          onClick={() =>
            void withWarning(notices, async () => {
              const back = await library.discard(binned.map((b) => b.id));
              notices.info({
                key: 'emptied',
                title: 'The bin is empty',
                duration: 12,
                actions: (
                  <Button
                    size="small"
                    onClick={() => {
                      notices.destroy('emptied');
                      void withWarning(notices, back).then(onChange);
                    }}
                  >
                    Undo
                  </Button>
                ),
              });
            }).then(onChange)
          }
        >
          Empty the bin now
        </Button>
      </p>
    </details>
  );
}
