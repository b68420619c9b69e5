import { defineConfig } from '@playwright/test';

export default defineConfig({
    testDir: 'tests/Browser',
    outputDir: '.run/playwright',
    timeout: 90_000,
    // A busy machine is six times as slow for a minute; how quick it is, bin/bench measures.
    expect: { timeout: 30_000 },
    workers: 2,
    forbidOnly: true,
    reporter: [['list']],
    use: {
        baseURL: process.env['APP_URL'] ?? 'http://127.0.0.1:8200',
        viewport: { width: 1280, height: 800 },
        acceptDownloads: true,
        launchOptions: {
            executablePath: '/usr/bin/chromium',
            args: [
                '--no-sandbox',
                '--disable-gpu',
                '--disable-quic',
                '--no-first-run',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
            ],
        },
    },
});
