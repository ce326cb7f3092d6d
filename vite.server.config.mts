import { defineConfig } from 'vite';

/** The server as plain CommonJS for Node; packages stay outside the bundle, but for those of very many small files or of ES modules only. */
export default defineConfig({
  publicDir: false,
  ssr: { noExternal: ['date-fns', 'age-encryption', /^@noble\//, /^@scure\//] },
  build: {
    ssr: true,
    outDir: 'dist/server',
    emptyOutDir: true,
    target: 'node20',
    minify: false,
    rollupOptions: {
      input: {
        main: 'src/server/main.ts',
        worker: 'src/server/work/worker.ts',
        'fill-demo': 'src/demo/fill-demo.ts',
        bridge: 'src/server/bridge-main.ts',
        backup: 'src/server/backup-main.ts',
        restore: 'src/server/restore-main.ts',
        docs: 'src/server/docs-main.ts',
      },
      output: {
        format: 'cjs',
        exports: 'named',
        entryFileNames: '[name].cjs',
        chunkFileNames: '[name].cjs',
      },
    },
  },
});
