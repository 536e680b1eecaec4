import { changesBetween } from '../../core/document/parts.ts';
import { describe, expect, test } from '@jest/globals';
import { after } from '../../core/testing/worked.ts';
import { rowsHem } from '../../core/testing/hems.ts';
import { problemLine } from '../../core/problems.ts';
import { testBrowser } from '../testing/storage.ts';
import { stateSince } from '../storage/backup.ts';
import { bytesWords } from '../storage/room.ts';
import { readRecord, type RecordFound } from '../storage/records.ts';
import { chosen, standings, versionsOf } from './incoming.ts';
import { fileKind } from './kinds.ts';

const NOW = '2026-03-01T00:00:00.000Z';
const hem = { ...rowsHem(), changed: '2026-02-01T00:00:00.000Z' };

describe('a hem that comes in', () => {
  async function shelf() {
    const browser = testBrowser();
    const library = browser.openPage();
    await library.add([hem], 'new');
    const notes = { ...hem, notes: 'first', changed: '2026-02-02T00:00:00.000Z' };
    const steps = { past: [], future: [] };
    await library.write({
      hem: notes,
      common: hem,
      changes: changesBetween(hem, notes),
      base: 1,
      label: 'notes',
      edit: 1,
      steps,
    });
    return { library, here: await library.list(), notes };
  }

  test('is new, the same, an earlier version, or newer', async () => {
    const { library, here, notes } = await shelf();
    const standing = async (...hems: readonly (typeof hem)[]) =>
      (await standings(hems, here, library)).map((i) => i.standing);
    expect(await standing({ ...hem, id: 'other' })).toEqual(['new']);
    expect(await standing({ ...notes, changed: NOW })).toEqual(['same']);
    expect(await standing({ ...hem, changed: NOW })).toEqual(['older']);
    expect(await standing({ ...hem, notes: 'else', changed: '2026-01-01T00:00:00.000Z' })).toEqual(['older']);
    expect(await standing({ ...hem, notes: 'else', changed: NOW })).toEqual(['newer']);
    expect(await standing(notes, notes)).toEqual(['same']);
  });

  test('is put on the shelf as it was chosen, and never twice', async () => {
    const { library, here } = await shelf();
    const incoming = await standings(
      [
        { ...hem, id: 'other' },
        { ...hem, notes: 'else', changed: NOW },
      ],
      here,
      library,
    );
    expect(chosen(incoming, 'leave', NOW).map((h) => h.id)).toEqual(['other']);
    expect(chosen(incoming, 'replace', NOW).map((h) => h.id)).toEqual(['other', hem.id]);
    const [, copy] = chosen(incoming, 'copy', NOW);
    expect(copy!.id).not.toBe(hem.id);
    expect(copy!.name).toBe('Test blanket (copy)');
    await library.add(chosen(incoming, 'replace', NOW), 'opened');
    const versions = await library.versions(hem.id);
    expect(versions.filter((v) => v.pinned).map((v) => v.label)).toEqual(['before it was replaced']);
  });
});

test('a hem that was worked on elsewhere is put together with mine, and what does not go on stays', async () => {
  const library = testBrowser().openPage();
  await library.add([hem], 'new');
  await library.keepCarried(hem);
  const steps = { past: [], future: [] };
  const mine = { ...hem, notes: 'here', changed: '2026-02-02T00:00:00.000Z' };
  await library.write({
    hem: mine,
    common: hem,
    changes: changesBetween(hem, mine),
    base: 1,
    label: 'notes',
    edit: 1,
    steps,
  });
  const theirs = after({ ...hem, notes: 'there', changed: NOW }, [
    { did: 'paused', round: { entry: null, index: 0 } },
  ]);
  const incoming = await standings([theirs], await library.list(), library);
  const taken = chosen(incoming, 'together', NOW);
  expect(taken.map((h) => h.notes)).toEqual(['there', 'here']);
  await library.add(taken, 'came');
  const [now] = await library.list();
  expect(now!.outcome).toMatchObject({ ok: true, value: { notes: 'here', record: theirs.record } });
  const kept = await versionsOf(hem.id, library);
  expect(kept.map((v) => v.hem.notes)).toContain('there');
  expect(kept.filter((v) => v.carried)).toHaveLength(1);
  // A design that was changed there alone goes on by itself.
  const other = { ...hem, id: 'other' };
  await library.add([other], 'new');
  const [changed] = await standings([{ ...other, pace: 9, changed: NOW }], await library.list(), library);
  expect(chosen([changed!], 'together', NOW)).toMatchObject([{ pace: 9 }]);
});

describe('a file of another kind', () => {
  test.each([
    ['a.pdf', '%PDF-1.4', 'a PDF'],
    ['a.hem.json', '\u0089PNG\r\n', 'a picture'],
    ['a', 'GIF89a', 'a picture'],
    ['a.webp', 'RIFF\u0001\u0002\u0003\u0004WEBPVP8', 'a picture or a film'],
    ['a.svg', '<?xml version="1.0"?><svg>', 'a drawing'],
    ['a.html', '<!doctype html>', 'a web page'],
    ['a.md', '# Blanket', 'a pattern as Markdown'],
    ['a.txt', 'Round 1', 'a text'],
    ['a.docx', 'PK\u0003\u0004', 'an office document'],
    ['a.xls', '\u00d0\u00cf\u0011\u00e0', 'an office document'],
    ['a.gz', '\u001f\u008b', 'a packed file'],
    ['a.bin', '\u0000\u0001\u0002', 'a file of another program'],
  ])('%s is told for what it is', (name, content, kind) => {
    const told = fileKind(
      name,
      Uint8Array.from(content, (c) => c.charCodeAt(0)),
    );
    expect(told.problem?.values).toMatchObject({ kind });
    expect(problemLine(told.problem!)).toMatch(/\. \S.*\.$/);
  });

  test.each([
    ['a.hem.json', '\u00ef\u00bb\u00bf {"format"', 'hem'],
    ['a.zip', 'PK\u0003\u0004', 'zip'],
    ['renamed', 'PK\u0003\u0004', 'zip'],
    ['a.csv', 'x,,', 'table'],
    ['a.json', 'not json', 'hem'],
  ] as const)('%s is opened', (name, content, kind) => {
    expect(
      fileKind(
        name,
        Uint8Array.from(content, (c) => c.charCodeAt(0)),
      ),
    ).toEqual({ kind, problem: null });
  });
});

describe('the reminder of a backup', () => {
  const found = (id: string, revision: number): RecordFound =>
    readRecord(id, { kept: 1, revision, hem: { ...hem, id }, label: '', writers: {} });
  const now = new Date(NOW);

  test('comes when there is work that no backup holds, and not before a week has passed', () => {
    const worked = [found('a', 9), found('b', 4)];
    expect(stateSince([found('a', 1)], null, now)).toEqual({ at: null, changed: 0, remind: false });
    expect(stateSince(worked, null, now)).toMatchObject({ changed: 2, remind: true });
    const fresh = { at: '2026-02-27T00:00:00.000Z', revisions: { a: 1 } };
    expect(stateSince(worked, fresh, now)).toMatchObject({ changed: 2, remind: false });
    expect(stateSince(worked, { ...fresh, at: '2026-02-20T00:00:00.000Z' }, now)).toMatchObject({
      remind: true,
    });
    const whole = { at: '2020-01-01T00:00:00.000Z', revisions: { a: 9, b: 4 } };
    expect(stateSince(worked, whole, now)).toMatchObject({ changed: 0, remind: false });
    // A backup from the time to come: the clock was moved.
    expect(stateSince(worked, { ...fresh, at: '2031-01-01T00:00:00.000Z' }, now)).toMatchObject({
      remind: true,
    });
  });

  test('and room is told in words', () => {
    expect([999, 45_200, 2_340_000, 11e9].map(bytesWords)).toEqual(['999 bytes', '45 kB', '2.3 MB', '11 GB']);
  });
});
