import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

const core = fileURLToPath(new URL('../core/src', import.meta.url));
const client = fileURLToPath(new URL('../client/src/index.ts', import.meta.url));
const api = `http://localhost:${process.env.VENNET_PORT ?? 4310}`;

export default defineConfig({
  plugins: [react(), tailwindcss()],
  resolve: {
    alias: [
      { find: /^@vennet\/core\/(.+)$/, replacement: `${core}/$1/index.ts` },
      { find: '@vennet/client', replacement: client },
    ],
  },
  worker: { format: 'es' },
  build: { target: 'es2023', chunkSizeWarningLimit: 1200 },
  server: { proxy: { '/api': api } },
});
