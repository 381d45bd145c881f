import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'
import { compress } from "./compress.ts"

const out = fileURLToPath(new URL('./dist/app', import.meta.url))

export default defineConfig({
  plugins: [vue(), compress(out)],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  define: { __VUE_OPTIONS_API__: 'true' },
  // how long a spec may take where the machine is busy; none waits for it
  test: { testTimeout: 60_000 },
  build: { outDir: out, emptyOutDir: true, chunkSizeWarningLimit: 700 },
})
