/** The project file of one hem (shape: hem.schema.ts). */
export type { Gauge, Hem, Preferences, RoundEntry, WeighIn, WorkedRound } from './hem.schema.ts';

/** Id of the family of rounds that the user wrote. */
export const OWN = 'own';
