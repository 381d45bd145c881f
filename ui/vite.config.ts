import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { compress } from "./compress.ts"

const out = fileURLToPath(new URL('./dist/app', import.meta.url))

export default defineConfig({
  plugins: [vue(), compress(out)],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  define: { __VUE_OPTIONS_API__: 'true' },
  build: { outDir: out, emptyOutDir: true, chunkSizeWarningLimit: 700 },
})
