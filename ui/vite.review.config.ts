// The client's review: a build of its own, without the weight of the rest.
import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vite'
import { compress } from "./compress.ts"
import { styled } from "./styled.ts"

const out = fileURLToPath(new URL('./dist/review', import.meta.url))

export default defineConfig({
  root: fileURLToPath(new URL('./review', import.meta.url)),
  base: '/review/',
  plugins: [vue(), styled(), compress(out)],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  define: { __VUE_OPTIONS_API__: 'false', __VUE_PROD_DEVTOOLS__: 'false' },
  build: { outDir: out, emptyOutDir: true, modulePreload: { polyfill: false } },
})
