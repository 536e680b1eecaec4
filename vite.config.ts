import react from '@vitejs/plugin-react';
import { copyFileSync, readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { defineConfig, type Plugin, type Rolldown } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import { withShippedLicences } from './scripts/licences.mjs';

/** What a static host needs beside the pages: the page for every address, and the schema of hem files. */
const forStaticHosts: Plugin = {
  name: 'for-static-hosts',
  generateBundle() {
    this.emitFile({
      type: 'asset',
      fileName: 'schema/hem.json',
      source: readFileSync('core/document/hem.schema.generated.json'),
    });
    this.emitFile({ type: 'asset', fileName: 'LICENSE.txt', source: readFileSync('LICENSE') });
  },
  closeBundle() {
    copyFileSync('dist/index.html', 'dist/404.html');
  },
};

/** The licences of what the bundler does not see stand beside those that it lists. */
const allLicences: Plugin = {
  name: 'all-licences',
  enforce: 'post',
  generateBundle: {
    order: 'post',
    handler(_, bundle) {
      const list = bundle[LICENCES];
      if (list?.type !== 'asset') throw new Error('the bundler lists no licences');
      list.source = withShippedLicences(String(list.source));
    },
  },
};

/** Icons come in six weights, of which one is shown, and of some the filled one: the others stay out of what is fetched. */
const FILLED = /\/(?:Warning|CheckCircle)\./;
const shownWeights: Plugin = {
  name: 'shown-weights',
  enforce: 'pre',
  transform(code, id) {
    if (!/@phosphor-icons\/react\/dist\/defs\//.test(id)) return null;
    const unseen = `bold|duotone|light|thin${FILLED.test(id) ? '' : '|fill'}`;
    const weight = new RegExp(
      `\\n {2}\\[\\n {4}"(?:${unseen})",[^]*?\\n {2}\\],?(?=\\n(?: {2}\\[|\\]))`,
      'g',
    );
    const shown = code.replace(weight, '');
    if (!shown.includes('"regular"') || new RegExp(`"(?:${unseen})"`).test(shown))
      throw new Error(`the weights of ${id} are not where they were`);
    return { code: shown, map: null };
  },
};

interface Piece {
  readonly name: string;
  /** Modules in app/. */
  readonly of: readonly string[];
  /** How many of these need what is in the piece; one where it is not said. */
  readonly shared?: number;
}

/**
 * What a page fetches at once comes in a few pieces, not in a hundred. A piece is what its modules need and no piece before
 * it has.
 */
const PIECES: readonly Piece[] = [
  { name: 'page', of: ['main.tsx'] },
  {
    name: 'shelf',
    of: [
      'shelf/PlannedHem.tsx',
      'shelf/Keeping.tsx',
      'storage/backup.ts',
      'storage/wishes.ts',
      'workers/pool.ts',
    ],
  },
  { name: 'hem', of: ['thread/HemPage.tsx'] },
  {
    name: 'stops',
    of: [
      'piece/PiecePage.tsx',
      'base/BasePage.tsx',
      'rounds/RoundsPage.tsx',
      'yarn/YarnPage.tsx',
      'pattern/PatternPage.tsx',
      'work/WorkPage.tsx',
      'start/StartPage.tsx',
      'practice/PracticePage.tsx',
    ],
    shared: 3,
  },
];

const fetchedTogether = PIECES.map(({ name, of, shared = 1 }, i): Rolldown.CodeSplittingGroup => {
  let needed: readonly Set<string>[] | undefined;
  return {
    debugName: name,
    priority: PIECES.length - i,
    name(id, bundle) {
      needed ??= of.map((root) => needs(join(import.meta.dirname, 'app', root), bundle));
      return needed.filter((all) => all.has(id)).length >= shared ? name : null;
    },
  };
});

/** The module and all that it imports, however far away; what it loads when it is asked for is not among them. */
function needs(module: string, bundle: Rolldown.ChunkingContext, found = new Set<string>()): Set<string> {
  if (found.has(module)) return found;
  if (!bundle.getModuleInfo(module)) throw new Error(`no module ${module}`);
  found.add(module);
  bundle.getModuleInfo(module)?.importedIds.forEach((imported) => needs(imported, bundle, found));
  return found;
}

const LICENCES = 'third-party.md';

/** Hem files, backups and tables. */
const FILES = {
  'application/json': ['.json'],
  'application/zip': ['.zip'],
  'text/csv': ['.csv'],
  'text/tab-separated-values': ['.tsv'],
};

export default defineConfig({
  root: 'app',
  plugins: [
    react(),
    shownWeights,
    VitePWA({
      // A new version is offered, never forced.
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Zig Hem',
        short_name: 'Zig Hem',
        description: 'Plan the border of a finished crochet piece, and keep count while you work it.',
        id: '/',
        start_url: '/',
        display: 'standalone',
        // The shelf opens what is handed to the installed application.
        file_handlers: [{ action: '/', accept: FILES }],
        share_target: {
          action: '/shared',
          method: 'POST',
          enctype: 'multipart/form-data',
          params: { files: [{ name: 'files', accept: Object.entries(FILES).flat(2) }] },
        },
        background_color: '#f8f6f0',
        theme_color: '#f8f6f0',
        icons: [
          { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,png,woff,woff2,txt,json,md}'],
        globIgnores: ['404.html'],
        importScripts: ['/shared-files.js'],
        maximumFileSizeToCacheInBytes: 6_000_000,
        navigateFallback: '/index.html',
        // The stand-ins answer only where their server is; the rest are files of their own.
        navigateFallbackDenylist: [/^\/api\//, /^\/schema\//, /\.\w+$/],
        // The first visit is served offline at once, not only the next.
        clientsClaim: true,
        cleanupOutdatedCaches: true,
        runtimeCaching: [
          {
            // Parts of the version before, for pages that were open when a new one took over.
            urlPattern: ({ url }) => url.pathname.startsWith('/assets/'),
            handler: 'CacheFirst',
            options: { cacheName: 'zig-hem-version-before' },
          },
        ],
      },
    }),
    forStaticHosts,
    allLicences,
  ],
  css: {
    modules: {
      // A class is named after its sheet, so that a page that is looked into can be read.
      generateScopedName: (name, file) => `${basename(file, '.module.css')}_${name}`,
    },
  },
  build: {
    // What lays out PDF pages is large, and fetched only when one is asked for.
    chunkSizeWarningLimit: 2500,
    outDir: '../dist',
    emptyOutDir: true,
    target: 'es2022',
    license: { fileName: LICENCES },
    rolldownOptions: { output: { codeSplitting: { groups: fetchedTogether } } },
  },
  server: { port: 5173 },
});
