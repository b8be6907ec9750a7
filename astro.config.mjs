import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';
import { fileURLToPath } from 'node:url';
import { together } from './tools/chunks.mjs';
import { withoutHelp } from './tools/without-help.mjs';
import { serverParts } from './tools/server-parts.mjs';

const modernDexie = fileURLToPath(new URL('./node_modules/dexie/dist/modern/dexie.mjs', import.meta.url));

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [react(), serverParts()],
  redirects: { '/favicon.ico': '/favicon.svg' },
  security: { checkOrigin: false },
  devToolbar: { enabled: false },
  experimental: {
    // inline scripts of the islands are allowed by their hash, nothing else
    csp: {
      algorithm: 'SHA-256',
      directives: [
        "default-src 'self'",
        "img-src 'self' data: blob:",
        "font-src 'self'",
        "connect-src 'self' blob:",
        "worker-src 'self' blob:",
        "object-src 'none'",
        "base-uri 'none'",
        "form-action 'self'",
        "frame-ancestors 'none'",
      ],
    },
  },
  vite: {
    plugins: [tailwindcss(), withoutHelp],
    // the build for today's browsers, without what older ones need
    resolve: { alias: [{ find: /^dexie$/, replacement: modernDexie }] },
    // the server tells what workers may do by the names of their scripts
    worker: {
      format: 'es',
      rollupOptions: { output: { entryFileNames: '_astro/worker-[name].[hash].js' } },
    },
    build: { assetsInlineLimit: 0, rollupOptions: { output: { manualChunks: together } } },
  },
});
