/** Renders a part of the application in a simulated page, with a hem open. */
import { afterAll } from '@jest/globals';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { configure, render, type RenderResult } from '@testing-library/react';
import { ConfigProvider } from 'antd';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import type { Hem } from '../../core/document/hem.ts';
import type { Plan } from '../../core/plan/types.ts';
import type { Problem } from '../../core/problems.ts';
import { HemContext, usePlan } from '../hem/context.ts';
import { HemStore, type HemStoreParts, type KeptWhere } from '../hem/store.ts';
import { NoticesProvider } from '../look/notices.tsx';
import { StandInChannel, StandInWorker, endWorkers } from './worker.ts';

afterAll(endWorkers);
// Workers answer in their time, on a machine that may do other things too.
configure({ asyncUtilTimeout: 15_000 });

/** Stand-ins for what jsdom has not: sizes, sight and canvases. Things count as seen, nothing is painted. */
function standIns(): void {
  class Watcher {
    constructor(private readonly tell: (entries: readonly object[]) => void) {}
    observe(): void {
      this.tell([{ isIntersecting: true, contentRect: { width: 600, height: 400 } }]);
    }
    disconnect(): void {
      // Nothing is watched on.
    }
    unobserve(): void {
      // Nothing is watched on.
    }
  }
  const nothing = (): void => undefined;
  const context = new Proxy(
    { canvas: { width: 600, height: 400 } },
    {
      get: (target, key) => (key === 'canvas' ? target.canvas : nothing),
      set: () => true,
    },
  );
  Object.assign(globalThis, {
    ResizeObserver: Watcher,
    IntersectionObserver: Watcher,
    Worker: StandInWorker,
    // The simulated scale and shop do not answer here.
    fetch: () => Promise.reject(new TypeError('there is no network')),
    EventSource: class {
      close = nothing;
    },
    MessageChannel: StandInChannel,
    Path2D: class {
      moveTo = nothing;
      lineTo = nothing;
      arc = nothing;
      closePath = nothing;
    },
  });
  Object.assign(window, {
    matchMedia: (query: string) => ({
      matches: window.innerWidth <= Number(/max-width: (\d+)px/.exec(query)?.[1] ?? 0),
      addEventListener: nothing,
      removeEventListener: nothing,
      addListener: nothing,
      removeListener: nothing,
    }),
  });
  Object.assign(window.performance, { measure: nothing });
  Object.assign(HTMLCanvasElement.prototype, {
    getContext: () => context,
    // What can be handed over.
    transferControlToOffscreen: () => new StandInChannel().port1,
  });
  Object.assign(Element.prototype, { scrollIntoView: nothing });
  const { getComputedStyle } = window;
  // Styles of pseudo-elements are not computed there.
  window.getComputedStyle = (element) => getComputedStyle(element);
}

export interface OpenHem extends RenderResult {
  readonly store: HemStore;
  /** Why edits were not done. */
  readonly refused: readonly Problem[];
}

/**
 * A component that is given the plan as it changes.
 *
 * @param storage what storage does otherwise than take all; null for a hem that is kept nowhere
 */
export function renderHem(
  hem: Hem,
  part: (plan: Plan) => ReactNode,
  storage: Partial<KeptWhere['storage']> | null = null,
  parts: Partial<HemStoreParts> = {},
): OpenHem {
  standIns();
  let edits = 0;
  const refused: Problem[] = [];
  const store = new HemStore(
    hem,
    {
      page: 'test',
      refused: (problems) => refused.push(...problems),
      now: () => new Date('2026-02-03T04:05:06Z'),
      ...parts,
    },
    storage && {
      storage: {
        nextEdit: () => ++edits,
        write: ({ hem: written, base }) =>
          Promise.resolve({ kind: 'written', revision: base + 1, hem: written, conflicts: [], anew: false }),
        read: () => Promise.resolve(null),
        keepAgain: () => Promise.resolve(),
        setAside: () => true,
        dropAside: () => undefined,
        conflicting: () => undefined,
        writtenAnew: () => undefined,
        ...storage,
      },
      revision: 0,
      steps: { past: [], future: [] },
      stored: null,
    },
  );
  const Part = (): ReactNode => part(usePlan());
  const rendered = renderAround(
    <HemContext.Provider value={store}>
      <Part />
    </HemContext.Provider>,
  );
  return { ...rendered, store, refused };
}

/** A page that stands where no hem is open. */
export function renderAlone(page: ReactNode): RenderResult {
  standIns();
  return renderAround(page);
}

function renderAround(part: ReactNode): RenderResult {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(
    <MemoryRouter initialEntries={['/hem/test/base']}>
      <QueryClientProvider client={queries}>
        <ConfigProvider theme={{ zeroRuntime: true }}>
          <NoticesProvider>{part}</NoticesProvider>
        </ConfigProvider>
      </QueryClientProvider>
    </MemoryRouter>,
  );
}
