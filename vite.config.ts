import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';

/**
 * Tells the browser to compile every function while the script is still arriving, off the main thread, rather than when
 * it is first called: the first turns of a dial otherwise wait for that. Browsers that do not know the hint see a comment.
 */
function compiledOnArrival(): Plugin {
  return {
    name: 'compiled-on-arrival',
    generateBundle: {
      order: 'post',
      handler(_, bundle) {
        // The charts are a megabyte of which little is called.
        for (const file of Object.values(bundle))
          if (file.type === 'chunk' && !file.fileName.includes('plotly'))
            file.code = `//# allFunctionsCalledOnLoad\n${file.code}`;
      },
    },
  };
}

export default defineConfig({
  root: 'web',
  plugins: [react(), compiledOnArrival()],
  html: { cspNonce: '__CSP_NONCE__' },
  worker: { format: 'es', plugins: () => [compiledOnArrival()] },
  build: { outDir: '../dist/web', emptyOutDir: true, assetsInlineLimit: 0, chunkSizeWarningLimit: 700 },
  server: { host: '127.0.0.1', port: 4311, proxy: { '/api': 'http://127.0.0.1:4310' } },
});
