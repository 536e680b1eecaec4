import { Modal } from 'antd';
import { useState } from 'react';
import { Check } from './Check.tsx';
import { chooseSingleKeys, singleKeysWork } from './singleKeys.ts';
import { Themed } from './Themed.tsx';
import styles from './keys.module.css';

interface Keys {
  readonly where: string;
  readonly keys: readonly (readonly [keys: readonly string[], what: string])[];
}

const KEYS: readonly Keys[] = [
  {
    where: 'Everywhere',
    keys: [
      [['Ctrl', 'Z'], 'undo; on the shelf, put a hem back'],
      [['Ctrl', 'Shift', 'Z'], 'redo'],
      [['Tab'], 'on to the next thing'],
      [['?'], 'this sheet'],
    ],
  },
  {
    where: 'In a hem',
    keys: [
      [['1'], 'to the first page of the hem, and so on'],
      [['0'], 'to the shelf'],
    ],
  },
  {
    where: 'On the drawing of the piece',
    keys: [
      [['Enter'], 'pick a side, corner, seam, motif or band of rows'],
      [['←', '→'], 'pull the edge that has the focus, from motif to motif'],
      [['↑', '↓'], 'the same upwards; a corner of your own outline goes all four ways'],
      [['Shift', '→'], 'a finer step'],
    ],
  },
  {
    where: 'At Work',
    keys: [
      [['Space', '→'], 'the step is done'],
      [['←'], 'undo the last step'],
    ],
  },
  {
    where: 'On a count line',
    keys: [
      [['←', '→'], 'one stitch fewer, one more'],
      [['PgUp', 'PgDn'], 'to the next count at which every round fits'],
    ],
  },
  {
    where: 'On a drawing of stitches',
    keys: [
      [['←', '→'], 'from stitch to stitch'],
      [['↓', '↑'], 'to the stitch below, to the stitch above'],
      [['+', '−'], 'zoom in, zoom out'],
      [['0'], 'back to the part that was chosen'],
    ],
  },
  {
    where: 'In the list of rounds',
    keys: [[['Space'], 'take up a round by its handle; arrows move it, Space puts it down, Esc leaves it']],
  },
];

/** Keys and their meaning. */
export function KeysSheet({ onClose }: { readonly onClose: () => void }) {
  const [single, setSingle] = useState(singleKeysWork);
  return (
    <Themed>
      <Modal open title="Keys" footer={null} onCancel={onClose} width={640}>
        <div className={styles.keys}>
          {KEYS.map(({ where, keys }) => (
            <section key={where}>
              <h3>{where}</h3>
              <dl>
                {keys.map(([combination, what]) => (
                  <div key={what}>
                    <dt>
                      {combination.map((key) => (
                        <kbd key={key}>{key}</kbd>
                      ))}
                    </dt>
                    <dd>{what}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
          <p className="quiet small">On a Mac, ⌘ stands for Ctrl.</p>
          <Check
            checked={single}
            onChange={(work) => {
              chooseSingleKeys(work);
              setSingle(work);
            }}
          >
            keys of one character work by themselves: 0 to 6 and ?
          </Check>
        </div>
      </Modal>
    </Themed>
  );
}
