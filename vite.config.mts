import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

const API_PORT = Number(process.env.PORT ?? 4180);
const MAX_PHOTOS = 300;

/** Keeps the screens, and the photographs that were seen, in the browser: they load without the server. */
const offline = VitePWA({
  // The page registers it itself, and says when a newer version lies ready.
  injectRegister: false,
  registerType: 'prompt',
  manifest: {
    name: 'Tough Rimstone',
    short_name: 'Rimstone',
    description: 'The bench companion of a powersports tire fitter',
    display: 'standalone',
    background_color: '#ece5d8',
    theme_color: '#ece5d8',
    icons: [{ src: '/basin.svg', sizes: 'any', type: 'image/svg+xml' }],
  },
  workbox: {
    globPatterns: ['**/*.{js,css,html,svg,woff2}'],
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    cleanupOutdatedCaches: true,
    runtimeCaching: [
      {
        // A photograph never changes: its address is what it shows.
        urlPattern: /\/api\/photos\/[0-9a-f]{64}$/,
        handler: 'CacheFirst',
        options: {
          cacheName: 'photographs',
          expiration: { maxEntries: MAX_PHOTOS },
          plugins: [
            {
              // Only while a screen is open, as its page says; else the server is asked, which refuses a locked one.
              // The text of this function goes into the worker: it names nothing outside.
              cachedResponseWillBeUsed: async ({ cachedResponse }) => {
                const lease = await caches.match('/photo-lease', { cacheName: 'rimstone-lease' });
                return lease && Number(await lease.text()) > Date.now() ? cachedResponse : null;
              },
            },
          ],
        },
      },
    ],
  },
});

/** The screens. In development the API is asked at its own port. */
export default defineConfig({
  root: 'src/web',
  publicDir: 'public',
  plugins: [react(), tailwindcss(), offline],
  build: {
    outDir: '../../dist/web',
    emptyOutDir: true,
    target: 'es2022',
    chunkSizeWarningLimit: 900,
  },
  server: {
    host: '127.0.0.1',
    port: 5180,
    strictPort: true,
    proxy: { '/api': `http://127.0.0.1:${API_PORT}` },
  },
});
