import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { viteStaticCopy } from 'vite-plugin-static-copy';

const core = fileURLToPath(new URL('../core/src', import.meta.url));
const client = fileURLToPath(new URL('../client/src/index.ts', import.meta.url));
const pdfjs = fileURLToPath(new URL('.', import.meta.resolve('pdfjs-dist/package.json')));
const api = `http://localhost:${process.env.VENNET_PORT ?? 4310}`;

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    // What pages of finished files are drawn with that do not bring it along: fonts, character maps, decoders of pictures.
    viteStaticCopy({
      targets: ['standard_fonts', 'cmaps', 'wasm'].map((folder) => ({
        src: `${pdfjs}/${folder}/*`,
        dest: `pdf/${folder}`,
      })),
    }),
  ],
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
