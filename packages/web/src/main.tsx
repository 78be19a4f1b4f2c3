import '@fontsource/barlow/latin-400.css';
import '@fontsource/barlow/latin-600.css';
import '@fontsource/barlow-semi-condensed/latin-500.css';
import '@fontsource/barlow-semi-condensed/latin-600.css';
import './index.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { makeQueryClient } from './common/query-client.ts';
import { fetchPagesOf, Router } from './shell/router.tsx';
import { flush } from './offline/outbox.ts';
import { takeUpdate } from './offline/register.ts';
import { showTheme } from './common/theme.tsx';

const queries = makeQueryClient();
const root = document.getElementById('root');
if (!root) throw new Error('the page has no root');

async function begin(page: HTMLElement): Promise<void> {
  if (await takeUpdate()) {
    window.location.reload();
    return;
  }
  await fetchPagesOf(window.location.pathname);
  createRoot(page).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <Router />
      </QueryClientProvider>
    </StrictMode>,
  );
  // What an earlier page recorded and could not send.
  void flush();
}

showTheme();
void begin(root);
