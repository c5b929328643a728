import { cpSync } from 'node:fs';
import { resolve } from 'node:path';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

// The page viewer's character maps, fonts and decoders are served by the application itself.
const viewerFiles = {
  name: 'viewer-files',
  closeBundle() {
    for (const folder of ['cmaps', 'standard_fonts', 'wasm', 'iccs']) {
      cpSync(resolve('node_modules/pdfjs-dist', folder), resolve('dist/viewer', folder), {
        recursive: true,
      });
    }
  },
};

export default defineConfig({
  plugins: [react(), tailwindcss(), viewerFiles],
  build: {
    rollupOptions: {
      input: { index: resolve('index.html'), act: resolve('act.html'), ask: resolve('ask.html') },
    },
    chunkSizeWarningLimit: 700,
  },
  server: { proxy: { '/api': 'http://127.0.0.1:7300' }, fs: { allow: ['..'] } },
  // a machine that does other things besides is slower than five seconds now and then
  test: { environment: 'node', include: ['src/**/*.test.{ts,tsx}'], testTimeout: 30_000 },
});
