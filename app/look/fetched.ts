import { lazy, type ComponentType, type LazyExoticComponent } from 'react';

/** A part of the application could not be fetched: a newer version has taken its place, or there is no network. */
export class NotFetched extends Error {}

/** A component whose code is fetched when it is first shown. What cannot be fetched fails with {@link NotFetched}. */
export const fetched = <Props>(
  fetch: () => Promise<ComponentType<Props>>,
): LazyExoticComponent<ComponentType<Props>> =>
  lazy(async () => {
    try {
      return { default: await fetch() };
    } catch (error) {
      throw new NotFetched('a part of the application could not be fetched', { cause: error });
    }
  });
