/** IANA name of this device's time zone. */
export const deviceZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;
