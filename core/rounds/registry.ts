/** Every round family, one line each. */
import type { Family } from './family.ts';
import { plain } from './plain.ts';
import { shell } from './shell.ts';

export const FAMILIES: readonly Family[] = [plain, shell];

/** A family by its id, or undefined. */
export const familyById = (id: string): Family | undefined => FAMILIES.find((f) => f.id === id);
