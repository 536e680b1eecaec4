// How the unit tests read TypeScript: by swc, with the language's own names looked up once in each module. A test runs in
// a world of its own, in which every look at a global costs a microsecond and more.
import { createHash } from 'node:crypto';
import swc from '@swc/jest';

const NAMES =
  'Array BigInt Boolean Error Float64Array Infinity Int32Array JSON Map Math NaN Number Object Promise RegExp Set String Symbol Uint8Array WeakMap'.split(
    ' ',
  );

const withNames = ({ code, ...rest }) => {
  const used = NAMES.filter((name) => new RegExp(`\\b${name}\\b`).test(code));
  return { ...rest, code: used.length > 0 ? `const { ${used.join(', ')} } = globalThis; ${code}` : code };
};

export default {
  createTransformer(options) {
    const by = swc.createTransformer(options);
    return {
      canInstrument: by.canInstrument,
      process: (...file) => withNames(by.process(...file)),
      processAsync: async (...file) => withNames(await by.processAsync(...file)),
      getCacheKey: (...file) =>
        createHash('sha256')
          .update(by.getCacheKey(...file))
          .update(NAMES.join(' '))
          .digest('hex'),
    };
  },
};
