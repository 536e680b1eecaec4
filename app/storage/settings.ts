/** Settings of this browser, such as the ground of the page. They are of use, but nothing depends on them. */
import { recordStore } from './recordStore.ts';

export const settings = recordStore('settings');

/** A setting, or null when there is none or storage refuses. */
export const readSetting = async (key: string): Promise<unknown> => settings.get(key).catch(() => null);

export const writeSetting = async (key: string, value: unknown): Promise<void> =>
  settings.set(key, value).catch(() => undefined);
