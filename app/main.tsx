import './look/nonce.ts';
import './look/base.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './App.tsx';
import { themeNow } from './look/theme.ts';
import { applyTheme } from './look/tokens.ts';

applyTheme(themeNow());
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <App />
  </StrictMode>,
);
