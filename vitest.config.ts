import { defineConfig } from 'vitest/config';

// Functions of the screens alone, without a page: what they compute is asked of the server.
// The usual reporter breaks on Node 20 as soon as a test fails (Map.groupBy), and says nothing of why.
export default defineConfig({
    test: { include: ['resources/app/**/*.test.ts'], environment: 'node', cache: false, reporters: ['tap-flat'] },
});
