import { held } from '../core/held.ts';
import './look/nonce.ts';
import './look/base.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './App.tsx';
import { keepFocus } from './look/keptFocus.ts';
import { themeNow } from './look/theme.ts';
import { applyTheme } from './look/tokens.ts';

applyTheme(themeNow());
keepFocus();
createRoot(held(document.getElementById('root'), 'the page has a root')).render(
  <StrictMode>
    <App />
  </StrictMode>,
);
