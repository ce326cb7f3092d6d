import { Tooltip } from 'radix-ui';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { App } from './app';
import { store } from './store';
import { followDoors } from './store/auth-slice';
import { keepSeen } from './store/keep-offline-cache';
import { followShop } from './store/live';
import { startOutbox } from './store/outbox-sender';
import { followVersion } from './store/version';
import './styles/app.css';

// The one element that the page itself brings.
// eslint-disable-next-line no-restricted-syntax
const root = document.getElementById('root')!;

followDoors(store);
followShop(store);
keepSeen(store);
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
