import { deviceZone } from './deviceZone.ts';
import { type AppStore, listenerMiddleware } from './store.ts';
import { settingsApi } from './settings.ts';

/**
 * Tells a workspace that has no time zone yet the one of this device, once.
 * @param onTold called with its name when the server has it
 * @returns ends it
 */
export function tellTimeZone(store: AppStore, onTold: (zone: string) => void): () => void {
  let tried = false;
  return listenerMiddleware.startListening({
    matcher: settingsApi.endpoints.settings.matchFulfilled,
    effect: async ({ payload }) => {
      if (payload.timeZone !== '' || tried) return;
      tried = true;
      const { version, ...settings } = payload;
      const timeZone = deviceZone();
      const told = store.dispatch(
        settingsApi.endpoints.saveSettings.initiate({ version, settings: { ...settings, timeZone } }),
      );
      // Another page may have told it at the same moment: then nothing is to be said here.
      await told.unwrap().then(
        () => {
          onTold(timeZone);
        },
        () => undefined,
      );
    },
  });
}
