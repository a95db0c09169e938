import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const alias = {
  '@demo': fileURLToPath(new URL('./demo', import.meta.url)),
  '@': fileURLToPath(new URL('./src', import.meta.url)),
};

const project = (name: string, include: string[], more: object = {}) => ({
  resolve: { alias },
  test: {
    name,
    include,
    environment: 'node',
    testTimeout: 60_000,
    hookTimeout: 300_000,
    expect: { poll: { timeout: 15_000 } },
    ...more,
  },
});

/** Unit tests lie beside their module; what spans modules lies in `tests/`. */
export default defineConfig({
  test: {
    projects: [
      project('unit', ['src/**/*.test.ts', 'demo/**/*.test.ts', 'scripts/**/*.test.ts']),
      project('reference', ['tests/reference/**/*.test.ts']),
      project('database', ['tests/database/**/*.test.ts']),
      project('browser', ['tests/browser/**/*.test.ts'], {
        fileParallelism: false,
        globalSetup: ['tests/browser/setup.ts'],
        testTimeout: 180_000,
      }),
    ],
  },
});
