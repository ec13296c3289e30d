import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { brotliCompressSync, gzipSync } from 'node:zlib'
import vue from '@vitejs/plugin-vue'
import type { Plugin } from 'vite'
import { defineConfig } from 'vitest/config'

const server = process.env.BRANTEL_SERVER ?? 'http://127.0.0.1:8420'

/** Scripts and styles are packed once, here, and not for each request; fonts are packed already. */
function packed(): Plugin {
  const assets = fileURLToPath(new URL('./dist/assets/', import.meta.url))
  return {
    name: 'packed',
    apply: 'build',
    closeBundle: () =>
      readdirSync(assets)
        .filter((name) => /\.(js|css|svg)$/.test(name))
        .forEach((name) => {
          const content = readFileSync(assets + name)
          writeFileSync(`${assets + name}.gz`, gzipSync(content, { level: 9 }))
          writeFileSync(`${assets + name}.br`, brotliCompressSync(content))
        }),
  }
}

export default defineConfig({
  // Whitespace means what it means in HTML, for the compiler as for the formatter: a line break between two inline
  // elements is a space.
  plugins: [vue({ template: { compilerOptions: { whitespace: 'preserve' } } }), packed()],
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
