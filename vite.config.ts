import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: 'web',
  plugins: [react()],
  html: { cspNonce: '__CSP_NONCE__' },
  worker: { format: 'es' },
  build: { outDir: '../dist/web', emptyOutDir: true, assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
  server: { host: '127.0.0.1', port: 4311, proxy: { '/api': 'http://127.0.0.1:4310' } },
});
