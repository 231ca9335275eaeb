import { combineSlices, createListenerMiddleware } from '@reduxjs/toolkit';
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

export type RootState = ReturnType<typeof rootReducer>;
export type AppDispatch = ThunkDispatch<RootState, unknown, UnknownAction>;

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
