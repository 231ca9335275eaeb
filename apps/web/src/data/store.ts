import { combineSlices, configureStore, createListenerMiddleware } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { type ThunkDispatch, type UnknownAction } from '@reduxjs/toolkit';
import { api } from './api.ts';

/**
 * The reducer of the application. A room brings its slice along and injects it when it is first opened, so that this
 * file knows of none.
 */
export const rootReducer = combineSlices(api);

/** Rules that follow actions. A room registers its own beside its slice. */
export const listenerMiddleware = createListenerMiddleware();

/** A store with the server's data and the rules; rooms add their slices when they are opened. */
export const makeStore = () =>
  configureStore({
    reducer: rootReducer,
    // The document is large and known to be plain: the development checks would cost more than they find.
    middleware: (defaults) =>
      defaults({ serializableCheck: false, immutableCheck: false })
        .prepend(listenerMiddleware.middleware)
        .concat(api.middleware),
  });

export type RootState = ReturnType<typeof rootReducer>;
export type AppStore = ReturnType<typeof makeStore>;
export type AppDispatch = ThunkDispatch<RootState, unknown, UnknownAction>;

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
