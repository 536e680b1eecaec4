import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { writeHem } from '../../core/document/check.ts';
import { fileName } from '../../core/document/fileName.ts';
import type { Hem } from '../../core/document/hem.ts';
import { plural } from '../../core/say/measures.ts';
import { usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { useNotices } from '../look/notices.tsx';
import { carriedLinks } from '../storage/carry.ts';
import { carriedCodes, isElsewhere } from '../storage/code.ts';
import { copyLink } from '../look/copyLink.tsx';
import { saveFile } from '../storage/exports.ts';
import { library } from '../storage/here.ts';
import { LONGEST_LINK } from '../storage/link.ts';
import { canShare, shareFile } from '../storage/share.ts';
import styles from './carry.module.css';

/** Takes a hem with all that was done of it to another device, and says how it comes back. */
export function CarryPage() {
  const { hem } = usePlan();
  const notices = useNotices();
  const { data: codes } = useQuery({
    queryKey: ['codes', hem],
    queryFn: () => carriedCodes(hem, window.location),
    gcTime: 0,
  });
  const taken = (): void => void library.keepCarried(hem);
  // A code that is seen may be read.
  useEffect(() => {
    if (codes) void library.keepCarried(hem);
  }, [codes, hem]);
  const [link] = carriedLinks(hem, window.location.origin, LONGEST_LINK) ?? [null];
  const [shares] = useState(() => canShare(fileOf(hem)));
  const [shown, setShown] = useState(0);
  const copy = async (text: string): Promise<void> => {
    taken();
    await copyLink(notices, text, 'Open it on the other device.');
  };
  const share = async (): Promise<void> => {
    taken();
    try {
      await shareFile(fileOf(hem), hem.name);
    } catch {
      notices.warning({
        title: 'It was not shared',
        description: 'The device refused. Download the hem file, and send that.',
      });
    }
  };
  const at = Math.min(shown, (codes?.length ?? 1) - 1);
  return (
    <div className={styles.carry}>
      <h1>Take it to another device</h1>
      <p>
        With its log{hem.record.length > 0 && ` (${plural(hem.record.length, 'entry')})`}. Go on there, and
        bring it back the same way: what was done on both is put together, entry by entry. Nothing is sent to
        anybody.
      </p>
      {codes && (
        <section>
          <h2>By camera</h2>
          <p>
            {codes.length === 1
              ? 'Point the camera of the other device here.'
              : `Point the camera of the other device at these ${codes.length} codes, one after the other. It says which are missing.`}
          </p>
          <figure className={styles.code}>
            <div dangerouslySetInnerHTML={{ __html: codes[at]! }} />
            {codes.length > 1 && (
              <figcaption>
                Code {at + 1} of {codes.length}{' '}
                <Button size="small" disabled={at === 0} onClick={() => setShown(at - 1)}>
                  The one before
                </Button>{' '}
                <Button size="small" disabled={at === codes.length - 1} onClick={() => setShown(at + 1)}>
                  The next one
                </Button>
              </figcaption>
            )}
          </figure>
        </section>
      )}
      {codes === null && (
        <p className="quiet">
          {isElsewhere(window.location.hostname)
            ? 'It is too large for codes: take the file.'
            : 'A code would not help: this address can only be opened on this device. Take the file.'}
        </p>
      )}
      <section>
        <h2>As a file{link && isElsewhere(window.location.hostname) ? ' or a link' : ''}</h2>
        <p className={styles.tools}>
          <Button
            type="primary"
            onClick={() => {
              taken();
              saveFile(fileName(hem.name, '.hem.json'), writeHem(hem), 'application/json');
            }}
          >
            Download the hem file
          </Button>
          {shares && <Button onClick={() => void share()}>Share it</Button>}
          {link && isElsewhere(window.location.hostname) && (
            <Button onClick={() => void copy(link)}>Copy a link</Button>
          )}
        </p>
        <p className="quiet small">
          On the other device: <strong>Open a file</strong> on the shelf. Photos stay here; a backup can hold
          them.
        </p>
      </section>
      <p>
        <Link to={`/hem/${hem.id}/work`}>Back to work</Link>
      </p>
    </div>
  );
}

/** The hem as a file that share sheets take: plain text, which is opened by what it holds. */
const fileOf = (hem: Hem): File =>
  new File([writeHem(hem)], fileName(hem.name, '.hem.txt'), { type: 'text/plain' });
