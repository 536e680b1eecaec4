import { defineConfig } from '@playwright/test';
import { chromiumShell } from './scripts/chromium.mjs';

const port = Number(process.env.TEST_PORT ?? 4189);

export default defineConfig({
  testDir: 'e2e',
  // Once in a while, not in every run: `npm run faults`.
  grepInvert: process.env.ZIG_HEM_THOROUGH ? /^$/ : /@long/,
  fullyParallel: true,
  workers: 2,
  // They end what hangs and nothing else: a machine that does other things too takes its time.
  timeout: 900_000,
  expect: { timeout: 180_000 },
  reporter: [['list'], ['json']],
  use: {
    baseURL: `http://localhost:${port}`,
    actionTimeout: 180_000,
    viewport: { width: 1280, height: 800 },
    // Only where it is tested: else every page would fetch the whole application once more.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: chromiumShell(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  // Engines that are slow without a graphics card take much longer beside each other than one after the other.
  projects: [
    { name: 'chromium', testIgnore: 'engines.spec.ts' },
    { name: 'engines', testMatch: 'engines.spec.ts', workers: 1 },
  ],
  webServer: {
    command: 'node --import tsx server/main.ts',
    url: `http://localhost:${port}`,
    env: { PORT: String(port) },
    reuseExistingServer: false,
  },
});
