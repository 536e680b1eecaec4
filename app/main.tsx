import './look/nonce.ts';
import './look/base.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './App.tsx';
import { groundNow } from './look/ground.ts';
import { applyGround } from './look/tokens.ts';

applyGround(groundNow());
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <App />
  </StrictMode>,
);
