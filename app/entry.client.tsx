import { startTransition, StrictMode } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { HydratedRouter } from 'react-router/dom';
import { NonceProvider } from './ui/nonce.ts';

// The attribute reads as "" after parsing, the property keeps the value.
const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce;

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <NonceProvider value={nonce}>
        <HydratedRouter />
      </NonceProvider>
    </StrictMode>,
    { onRecoverableError: (e) => console.error('RECOVERABLE', e) },
  );
});
