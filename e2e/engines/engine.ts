/** A browser’s engine as the journeys know it: whatever drives it, this is all that it has to do. */

/** One page that is open. Coordinates are CSS pixels of what is seen. */
export interface Tab {
  readonly open: (address: string) => Promise<void>;
  readonly reload: () => Promise<void>;
  /** Runs the body of a function in the page. @returns what it returns, as JSON has it */
  readonly run: (body: string, ...args: readonly unknown[]) => Promise<unknown>;
  /** Presses the pointer down at the first point, takes it along the others and lets go at the last. */
  readonly point: (...along: readonly (readonly [x: number, y: number])[]) => Promise<void>;
  /** Presses one key, by its name in the standard of UI events. */
  readonly key: (key: string) => Promise<void>;
  readonly type: (text: string) => Promise<void>;
  /** Gives a file to the field that a CSS selector finds. */
  readonly give: (selector: string, path: string) => Promise<void>;
}

export interface Running {
  readonly version: string;
  readonly tab: Tab;
  readonly end: () => Promise<void>;
}

export interface Engine {
  readonly name: string;
  /** Why it cannot run on this machine; null where it can. */
  readonly missing: () => string | null;
  /** Starts it with nothing remembered. @param downloads folder for what is saved */
  readonly start: (downloads: string) => Promise<Running>;
}

/** A page of an engine that faults are tried in. */
export interface HardyTab extends Tab {
  /** Lets the body of a function run in every page of the tab from now on, before anything of its own. */
  readonly before: (body: string) => Promise<void>;
  readonly toFront: () => Promise<void>;
  readonly close: () => Promise<void>;
}

export interface RunningHardy extends Running {
  readonly tab: HardyTab;
  /** Opens one more tab. */
  readonly another: () => Promise<HardyTab>;
  /** Ends it as a machine that fails does, with no time for anything. */
  readonly kill: () => Promise<void>;
}

/** An engine that can be killed, and finds again what it has remembered. */
export interface HardyEngine extends Pick<Engine, 'name' | 'missing'> {
  /** Starts it on a folder of what it remembers, without a service worker. */
  readonly startOn: (profile: string) => Promise<RunningHardy>;
}

/** Size of the window, CSS pixels. */
export const WINDOW = { width: 1280, height: 900 } as const;
