import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import laravel from 'laravel-vite-plugin';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig } from 'vite';

export default defineConfig({
    plugins: [
        laravel({ input: ['resources/app/app/main.css', 'resources/app/app/early.ts', 'resources/app/app/main.tsx'], refresh: false }),
        react(),
        tailwindcss(),
        // What an outing and a day's questions need without a network: all that is built, and their pages. Nothing else is kept.
        VitePWA({
            outDir: 'public',
            base: '/',
            buildBase: '/build/',
            scope: '/',
            filename: 'sw.js',
            injectRegister: false,
            registerType: 'autoUpdate',
            manifest: {
                name: 'Zinc Thimble',
                short_name: 'Zinc Thimble',
                description: 'Close-up setups: plan them, shoot them, write them down, set them up again.',
                start_url: '/outings',
                scope: '/',
                display: 'standalone',
                background_color: '#e9ecea',
                theme_color: '#16211e',
                icons: [{ src: '/thimble.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
            },
            workbox: {
                globDirectory: 'public/build',
                globPatterns: ['**/*.{js,css,woff2}'],
                modifyURLPrefix: { '': '/build/' },
                inlineWorkboxRuntime: true,
                navigateFallback: null,
                cleanupOutdatedCaches: true,
                clientsClaim: true,
                skipWaiting: true,
                runtimeCaching: [
                    {
                        urlPattern: ({ request, url }) =>
                            request.mode === 'navigate' && /^\/(outings\/\d+\/outside|practice)$/.test(url.pathname),
                        handler: 'NetworkFirst',
                        options: { cacheName: 'outside', networkTimeoutSeconds: 4 },
                    },
                ],
            },
        }),
    ],
    build: { sourcemap: false, assetsInlineLimit: 0, chunkSizeWarningLimit: 900 },
});
