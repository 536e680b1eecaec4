/** Stitches, corners and languages as the project file names them. */
import { Type } from '@sinclair/typebox';
import { named, oneOf } from '../schema.ts';
import { CORNERS, type CornerId } from './corners.ts';
import { STITCHES, type StitchKind } from './stitches.ts';

/** Every stitch but a chain, which makes no row and no round. */
export const stitch = named(
  'stitch',
  Type.Unsafe<StitchKind>({ enum: Object.keys(STITCHES).filter((kind) => kind !== 'ch') }),
);
export const corner = named('corner', Type.Unsafe<CornerId>({ enum: CORNERS.map(({ id }) => id) }));
export const language = oneOf('us', 'uk');
