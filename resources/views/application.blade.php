<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="csp-nonce" content="{{ Vite::cspNonce() }}">
    <meta name="color-scheme" content="light dark">
    <title>Zinc Thimble</title>
    <link rel="icon" href="/thimble.svg" type="image/svg+xml">
    <link rel="manifest" href="/build/manifest.webmanifest">
    @foreach (['archivo/files/archivo-latin-wdth-normal', 'spline-sans-mono/files/spline-sans-mono-latin-wght-normal'] as $font)
    <link rel="preload" as="font" type="font/woff2" href="{{ Vite::asset('node_modules/@fontsource-variable/'.$font.'.woff2') }}" crossorigin>
    @endforeach
    @vite(['resources/app/app/main.css', 'resources/app/app/early.ts', 'resources/app/app/main.tsx'])
</head>
<body>
    <div id="application"></div>
    <!-- answers -->
    <noscript>Zinc Thimble needs JavaScript to draw your rig. The command line reads rig files without it: php artisan rig:read FILE</noscript>
</body>
</html>
