import { Tooltip } from 'radix-ui';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { App } from './app';
import { store } from './store';
import { followAuth } from './store/auth-slice';
import { keepOfflineCache } from './store/keep-offline-cache';
import { followShop } from './store/live';
import { startOutbox } from './store/outbox-sender';
import { followVersion } from './store/version';
import './styles/app.css';

// The one element that the page itself brings.
// eslint-disable-next-line no-restricted-syntax
const root = document.getElementById('root')!;

followAuth(store);
followShop(store);
keepOfflineCache(store);
void store.dispatch(startOutbox());
followVersion(store);
createRoot(root).render(
  <StrictMode>
    <Provider store={store}>
      <Tooltip.Provider>
        <App />
      </Tooltip.Provider>
    </Provider>
  </StrictMode>,
);
