import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';

export default defineConfig({
  output: 'server',
  outDir: process.env.DENDROTAX_OUT ?? './dist',
  adapter: node({ mode: 'standalone' }),
  integrations: [react()],
  // Our own middleware checks the origin of every write, JSON too.
  security: { checkOrigin: false },
  experimental: { csp: true },
  devToolbar: { enabled: false },
  vite: {
    plugins: [tailwindcss()],
    worker: { format: 'es' },
    ssr: {
      external: [
        '@napi-rs/canvas',
        '@node-rs/argon2',
        'fontkit',
        'pdfkit',
        'subset-font',
        'harfbuzzjs',
        'pg',
        'piscina',
        'sharp',
        'rate-limiter-flexible',
      ],
    },
    build: { chunkSizeWarningLimit: 2500 },
  },
});
