import '@fontsource/la-belle-aurore';
import '@fontsource/petit-formal-script';
import '@fontsource/reenie-beanie';
import '../ui/theme.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { fetchLetters } from '../ui/letters';
import { ActPage } from './ActPage';

fetchLetters();
const root = document.getElementById('root');
if (!root) throw new Error('the page has no place for the interface');
document.documentElement.classList.add('participant');
const token = window.location.pathname.split('/').pop() ?? '';

createRoot(root).render(
  <StrictMode>
    <ActPage token={token} />
  </StrictMode>,
);
