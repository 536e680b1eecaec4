import { expect, test } from '@jest/globals';
import { demoHems } from '../../demo/read.ts';
import { hemBytes } from './size.ts';

test('a hem is as large as its file without breaks, whatever letters it has, and after it was changed', () => {
  for (const hem of demoHems()) {
    for (const changed of [hem, { ...hem, notes: 'Größe ✂ 編む 🧶 "quoted"\n' }, hem]) {
      const bytes = Buffer.byteLength(JSON.stringify(changed));
      // An emoji is counted as two units of three bytes: never too small.
      expect(hemBytes(changed)).toBeGreaterThanOrEqual(bytes);
      expect(hemBytes(changed)).toBeLessThanOrEqual(bytes + 8);
    }
  }
});
