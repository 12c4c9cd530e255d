import { followHouse, key } from './api/keys';
import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/newsreader/wght-italic.css';
import './app/theme.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { setNonce } from 'get-nonce';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { App } from './app/App';
import { restoreTheme } from './ui/theme';

setNonce(document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? '');
restoreTheme();

const queries = new QueryClient({
  defaultOptions: { queries: { refetchOnWindowFocus: false, networkMode: 'always' } },
});

// What was answered last stands in while nobody answers, for however long.
queries.setQueryDefaults(key('lastAnswer'), { gcTime: Infinity });
followHouse(queries);

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      {/* A page turns at the press, and the address is the state of what is asked: neither waits for the other. */}
      <BrowserRouter useTransitions={false}>
        <App />
      </BrowserRouter>
    </QueryClientProvider>
  </StrictMode>,
);
