import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { isWorthAnother } from '../api/again';
import { Application } from './Application';
import { fill } from './fill';
import { PreferencesProvider } from '../shell/preferences';
import { strings } from '../strings/index';

const queries = new QueryClient({
    defaultOptions: {
        queries: {
            staleTime: 60_000,
            refetchOnWindowFocus: false,
            retry: isWorthAnother,
        },
    },
});

// The scroll lock of dialogs puts a style element into the page; the content policy lets it with this nonce.
const nonce = document.querySelector<HTMLMetaElement>('meta[name=csp-nonce]')?.content;
if (nonce) Object.assign(globalThis, { __webpack_nonce__: nonce });

const root = document.getElementById('application');
if (root) {
    document.title = strings.product;
    // Looked at once: what is somebody's own doesn't stay in the page.
    const answers = document.getElementById('answers');
    answers?.remove();
    void fill(queries, answers?.textContent ?? null).then(() =>
        createRoot(root).render(
            <StrictMode>
                <QueryClientProvider client={queries}>
                    <PreferencesProvider>
                        <BrowserRouter>
                            <Application />
                        </BrowserRouter>
                    </PreferencesProvider>
                </QueryClientProvider>
            </StrictMode>,
        ),
    );
}
