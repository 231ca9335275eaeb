import { configureStore } from '@reduxjs/toolkit';
import { autosave } from '../rooms/bench/autosave.ts';
import { benchReducer } from '../rooms/bench/benchSlice.ts';
import { api } from './api.ts';

export const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer, bench: benchReducer },
  // The document is large and known to be plain: the development checks would cost more than they find.
  middleware: (defaults) =>
    defaults({ serializableCheck: false, immutableCheck: false })
      .prepend(autosave.middleware)
      .concat(api.middleware),
});

export type RootState = ReturnType<typeof store.getState>;
export type AppDispatch = typeof store.dispatch;
