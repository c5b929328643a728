import '../ui/theme.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { fetchLetters } from '../ui/letters';
import { AskedPage } from './AskedPage';
import { AskPage } from './AskPage';

fetchLetters();
const root = document.getElementById('root');
if (!root) throw new Error('the page has no place for the interface');
document.documentElement.classList.add('participant');
const [, room, secret = ''] = window.location.pathname.split('/');

createRoot(root).render(
  <StrictMode>
    <QueryClientProvider
      client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}
    >
      {room === 'asked' ? <AskedPage secret={secret} /> : <AskPage token={secret} />}
    </QueryClientProvider>
  </StrictMode>,
);
