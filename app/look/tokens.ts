/** The two themes of the application. The stylesheet takes them as custom properties, antd as its tokens. */
export interface Theme {
  readonly ground: string;
  readonly sheet: string;
  readonly ink: string;
  readonly quiet: string;
  /** Between things. */
  readonly line: string;
  /** Around what can be pressed or typed into. */
  readonly rim: string;
  /** Around what has the focus. */
  readonly focus: string;
  readonly wash: string;
  /** The working thread. */
  readonly thread: string;
  readonly onThread: string;
  readonly flat: string;
  readonly blocks: string;
  readonly ripple: string;
  readonly cup: string;
}

const DAY: Theme = {
  ground: '#f8f6f0',
  sheet: '#fffefa',
  ink: '#252a55',
  quiet: '#565a7d',
  line: '#dcd9d0',
  rim: '#7c7e98',
  focus: '#9c5a00',
  wash: '#eeebe2',
  thread: '#f0a31c',
  onThread: '#2a2204',
  flat: '#cfe3cf',
  blocks: '#f3e3bd',
  ripple: '#b4482f',
  cup: '#2f6f9f',
};

const EVENING: Theme = {
  ground: '#16193a',
  sheet: '#1f2349',
  ink: '#edeadf',
  quiet: '#b1b3cf',
  line: '#3b4070',
  rim: '#767cb3',
  focus: '#f4b13c',
  wash: '#282d59',
  thread: '#f4b13c',
  onThread: '#2a2204',
  flat: '#264a3d',
  blocks: '#4a4026',
  ripple: '#f08f73',
  cup: '#7fbbe6',
};

export type ThemeName = 'day' | 'evening';

export const THEMES: Readonly<Record<ThemeName, Theme>> = { day: DAY, evening: EVENING };

/** Sets the custom properties that the stylesheets use, and what the browser paints around the page. */
export function applyTheme(name: ThemeName): void {
  const root = document.documentElement;
  for (const [key, value] of Object.entries(THEMES[name]))
    root.style.setProperty(`--${key}`, value as string);
  root.style.colorScheme = name === 'day' ? 'light' : 'dark';
  document.querySelector('meta[name=theme-color]')?.setAttribute('content', THEMES[name].ground);
}
