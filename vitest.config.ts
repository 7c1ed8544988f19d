import { defineConfig } from 'vitest/config'
import { availableParallelism } from 'node:os'
import { fileURLToPath } from 'node:url'

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    environment: 'node',
    include: ['src/**/*.test.{ts,tsx}'],
    testTimeout: 180_000,
    // One core less, which is what it takes by itself, is half of two.
    maxWorkers: availableParallelism(),
    // Reading every module anew for each file took as long as what is tested. A test that replaces one would be seen
    // by the next: what it needs is handed to it instead.
    isolate: false,
  },
})
