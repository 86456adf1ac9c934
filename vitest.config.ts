import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [vue()],
  test: {
    include: ['{core,contract,server,web}/tests/**/*.test.ts'],
    testTimeout: 60_000,
    hookTimeout: 60_000,
    reporters: process.env.ROSKEL_REPORT ? ['default', ['json', { outputFile: process.env.ROSKEL_REPORT }]] : ['default'],
  },
});
