import { describe, expect, test } from '@jest/globals';
import { demoHems } from '../../demo/read.ts';
import { writeBundle, writeFiles } from '../../core/document/bundle.ts';
import { writeHem } from '../../core/document/check.ts';
import { HANDS_FILE, writeWishes } from '../../core/hands/wishes.ts';
import { plan } from '../../core/plan/planner.ts';
import { openBundle } from '../../core/document/opened.ts';
import { readFiles as readAll, type OpenBackup } from './opening.ts';

const NOW = new Date('2026-02-03T04:05:06Z');
/** What a worker does, on the page. */
const openBackup: OpenBackup = (name, bytes, told) =>
  Promise.resolve(openBundle(name, bytes, { newId: () => 'fresh', now: NOW }, told));
const readFiles = (files: readonly File[], now: Date) => readAll(files, now, openBackup);
const hems = demoHems();
const file = (name: string, content: string | Uint8Array): File =>
  new File([typeof content === 'string' ? content : new Uint8Array(content)], name);

describe('files that come in', () => {
  test('projects and bundles side by side, each hem once', async () => {
    const { hems: found, refused } = await readFiles(
      [file('one.hem.json', writeHem(hems[0]!)), file('all.zip', writeBundle(hems, NOW)[0]!)],
      NOW,
    );
    expect(refused).toEqual([]);
    expect(found).toEqual([hems[0], ...hems]);
  });

  test('a backup brings what its maker wants of their hands; a damaged wish keeps no hem out', async () => {
    const wishes = {
      since: null,
      off: ['yarn'] as const,
      own: { time: 0.5 },
      habits: null,
      rounds: [],
      hints: true,
    };
    const texts = [{ name: 'one.hem.json', text: writeHem(hems[0]!) }];
    const zip = (text: string) => file('b.zip', writeFiles([...texts, { name: HANDS_FILE, text }], NOW)[0]!);
    expect(await readFiles([zip(writeWishes(wishes))], NOW)).toMatchObject({
      hems: [hems[0]],
      refused: [],
      wishes,
    });
    expect(await readFiles([zip('{"since":7}')], NOW)).toMatchObject({
      hems: [hems[0]],
      refused: [{ name: HANDS_FILE, problems: [{ code: 'hands-unreadable' }] }],
      wishes: null,
    });
  });

  test('one bad file keeps no good one out', async () => {
    const { hems: found, refused } = await readFiles(
      [file('bad.hem.json', '{'), file('good.hem.json', writeHem(hems[1]!)), file('bad.zip', 'zip')],
      NOW,
    );
    expect(found).toEqual([hems[1]]);
    expect(refused.map((r) => [r.name, r.problems[0]!.code, r.salvaged])).toEqual([
      ['bad.hem.json', 'file-cut-off', null],
      ['bad.zip', 'bundle-unreadable', null],
    ]);
  });

  test('a damaged project brings what is sound of it along, unopened', async () => {
    const damaged = { ...hems[0]!, pace: 'quick' };
    const { hems: found, refused } = await readFiles([file('d.json', JSON.stringify(damaged))], NOW);
    expect(found).toEqual([]);
    expect(refused[0]!.salvaged).toMatchObject({ lost: ['pace'], hem: { name: hems[0]!.name } });
  });

  test('tables become pieces of hems named after the file', async () => {
    const { hems: found } = await readFiles(
      [file('steps.csv', 'x,,\nx,x,'), file('triangle.tsv', 'length\tstitches\n50\t70\n50\t70\n50\t70')],
      NOW,
    );
    expect(found.map((h) => [h.name, h.piece.kind, plan(h).sides.length])).toEqual([
      ['steps', 'grid', 6],
      ['triangle', 'counted', 3],
    ]);
  });

  test('tables that describe no piece are refused with the reason', async () => {
    const { hems: found, refused } = await readFiles(
      [
        file('apart.csv', 'x,,x\n,,\nx,,x'),
        file('open.csv', 'length,stitches,turn\n50,70,10\n50,70,10\n50,70,10'),
      ],
      NOW,
    );
    expect(found).toEqual([]);
    expect(refused.map((r) => r.problems.map((p) => p.code))).toEqual([['grid-apart'], ['corners-differ']]);
  });
});
