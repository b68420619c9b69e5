import { defineConfig } from 'vitest/config';

// Functions of the screens alone, without a page: what they compute is asked of the server.
export default defineConfig({ test: { include: ['resources/app/**/*.test.ts'], environment: 'node', cache: false } });
