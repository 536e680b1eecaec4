// What the simulated page of the unit tests lacks and every browser has.
import { TextDecoder, TextEncoder } from 'node:util';
import { deserialize, serialize } from 'node:v8';

globalThis.TextEncoder ??= TextEncoder;
globalThis.TextDecoder ??= TextDecoder;
globalThis.structuredClone ??= (value) => deserialize(serialize(value));
