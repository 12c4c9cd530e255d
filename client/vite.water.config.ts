import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

// The saved day's form: one script and one style sheet that are written into the page somebody takes along.
export default defineConfig({
  plugins: [react(), tailwindcss()],
  define: { 'process.env.NODE_ENV': JSON.stringify('production') },
  publicDir: false,
  build: {
    outDir: '../src/ZingCast.Web/wwwroot/water',
    emptyOutDir: true,
    chunkSizeWarningLimit: 900,
    lib: { entry: 'src/water/main.tsx', formats: ['iife'], name: 'water', fileName: () => 'water.js', cssFileName: 'water' },
  },
});
