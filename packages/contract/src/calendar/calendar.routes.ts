export const calendarRoutes = {
  calendar: '/api/calendar',
  calendarDays: '/api/calendar/days',
  calendarFile: '/api/calendar/kleur.ics',
  calendarFeed: '/api/calendar/feed',
} as const;
