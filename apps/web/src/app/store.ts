import { configureStore } from '@reduxjs/toolkit';
import { api } from '../data/api.ts';
import { listenerMiddleware, rootReducer } from '../data/store.ts';

export const store = configureStore({
  reducer: rootReducer,
  // The document is large and known to be plain: the development checks would cost more than they find.
  middleware: (defaults) =>
    defaults({ serializableCheck: false, immutableCheck: false })
      .prepend(listenerMiddleware.middleware)
      .concat(api.middleware),
});
