import react from '@vitejs/plugin-react';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

export default defineConfig({
  root: 'web',
  plugins: [react()],
  // The policy of the page forbids code made at run time: whatever asks for zod gets it told so, with the first that does.
  resolve: {
    alias: [{ find: /^zod$/, replacement: fileURLToPath(new URL('web/jitless.ts', import.meta.url)) }],
  },
  html: { cspNonce: '__CSP_NONCE__' },
  worker: { format: 'es' },
  build: { outDir: '../dist/web', emptyOutDir: true, assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
  server: { host: '127.0.0.1', port: 4311, proxy: { '/api': 'http://127.0.0.1:4310' } },
});
