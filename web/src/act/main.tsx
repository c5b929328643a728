import '@fontsource-variable/hanken-grotesk';
import '@fontsource-variable/newsreader';
import '@fontsource/la-belle-aurore';
import '@fontsource/petit-formal-script';
import '@fontsource/reenie-beanie';
import '../ui/theme.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { ActPage } from './ActPage';

const root = document.getElementById('root');
if (!root) throw new Error('the page has no place for the interface');
document.documentElement.classList.add('participant');
const token = window.location.pathname.split('/').pop() ?? '';

createRoot(root).render(
  <StrictMode>
    <ActPage token={token} />
  </StrictMode>,
);
