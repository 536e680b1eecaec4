/** The project file of one hem (shape: hem.schema.ts). */
export type { Gauge, Hem, Preferences, WeighIn } from './hem.schema.ts';
export type { WorkEvent } from './record.schema.ts';
export type { RoundEntry, WorkedRound } from './round.schema.ts';
export type { KeptBorder } from './hem.schema.ts';

/** Id of the family of rounds that the user wrote. */
export const OWN = 'own';
