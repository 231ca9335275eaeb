import '@fontsource-variable/public-sans';
import './app/base.css';
import './app/planning.css';
import './app/small.css';
import { ConfigProvider } from 'antd';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { router } from './app/router.tsx';
import { store } from './app/store.ts';
import { theme } from './app/theme.ts';
import { whenAtRest } from './data/whenAtRest.ts';
import { applyTokens } from './shared/tokens.ts';
import { Notices } from './shared/ui/Notices.tsx';

applyTokens(document.documentElement);
whenAtRest(() => void import('./data/benchLogs.ts').then((m) => m.sendWaitingLogs(store)));

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={store}>
      <ConfigProvider theme={theme} wave={{ disabled: true }}>
        <Notices>
          <RouterProvider router={router} />
        </Notices>
      </ConfigProvider>
    </Provider>
  </StrictMode>,
);
