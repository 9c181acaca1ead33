import '@fontsource-variable/source-sans-3/index.css';
import '@fontsource/ibm-plex-mono/400.css';
import 'bootstrap/dist/css/bootstrap.min.css';
import './look/look.css';
import { notifyManager, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { NuqsAdapter } from 'nuqs/adapters/react-router/v7';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { App } from './app';
import { holdWindowLock, windowName } from './arrangement/window-name';
import { ApiError } from './lib/api';

// The server is on this machine: whether the browser has a network says nothing about it.
const ANYWAY = 'always';

const client = new QueryClient({
  defaultOptions: {
    queries: {
      networkMode: ANYWAY,
      staleTime: 5_000,
      // What the server refuses, it refuses again; only a lost connection is worth another try.
      retry: (count, error) => count < 2 && error instanceof ApiError && (error.status === 0 || error.status === 503),
    },
    mutations: { networkMode: ANYWAY },
  },
});

// What a hand did is shown in the very next frame: a timer, which is what queries wait for otherwise, may come a frame later.
notifyManager.setScheduler(queueMicrotask);

holdWindowLock(windowName(client));

const root = document.getElementById('root');
if (root !== null) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <BrowserRouter>
          <NuqsAdapter>
            <App />
          </NuqsAdapter>
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
}

// What most pages do without comes after what they show.
setTimeout(() => void import('./look/scripts'), 0);
