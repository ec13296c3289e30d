import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

const server = process.env.BRANTEL_SERVER ?? 'http://127.0.0.1:8420'

export default defineConfig({
  // Whitespace means what it means in HTML, for the compiler as for the formatter: a line break between two inline
  // elements is a space.
  plugins: [vue({ template: { compilerOptions: { whitespace: 'preserve' } } })],
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  server: { proxy: { '/api': server } },
  // The content policy allows fonts from the server alone, so nothing is inlined.
  build: { target: 'es2022', chunkSizeWarningLimit: 900, assetsInlineLimit: 0 },
  test: {
    // Specs that need a document say so in their first line; most need none, and are over ten times as fast.
    environment: 'node',
    server: { deps: { inline: ['bootstrap-vue-next'] } },
  },
})
