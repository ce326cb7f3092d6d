import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const API_PORT = Number(process.env.PORT ?? 4180);

/** The screens. In development the API is asked at its own port. */
export default defineConfig({
  root: 'src/web',
  publicDir: 'public',
  plugins: [react(), tailwindcss()],
  build: { outDir: '../../dist/web', emptyOutDir: true, target: 'es2022', chunkSizeWarningLimit: 900 },
  server: { host: '127.0.0.1', port: 5180, strictPort: true, proxy: { '/api': `http://127.0.0.1:${API_PORT}` } },
});
