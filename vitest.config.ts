import { defineConfig } from 'vitest/config'
import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'

const CORE = 'src/core/**/*.test.{ts,tsx}'
const all = { environment: 'node', testTimeout: 180_000 } as const

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    // One core less, which is what it takes by itself, is half of two.
    maxWorkers: availableParallelism(),
    projects: [
      // What is pure keeps nothing from one test to the next, and need not be read anew for each file.
      { extends: true, test: { ...all, name: 'core', include: [CORE], isolate: false } },
      { extends: true, test: { ...all, name: 'rest', include: ['src/**/*.test.{ts,tsx}'], exclude: [CORE] } },
    ],
  },
})
