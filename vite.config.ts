import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: 'app',
  plugins: [react()],
  build: {
    // What lays out PDF pages is large, and fetched only when one is asked for.
    chunkSizeWarningLimit: 2500,
    outDir: '../dist',
    emptyOutDir: true,
    target: 'es2022',
  },
  server: { port: 5173 },
});
