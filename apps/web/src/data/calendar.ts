import { type CalendarFeed, type CalendarPage, type DaysWrite, routes } from '@kleur/contract';
import { api } from './api.ts';

const calendarApi = api.injectEndpoints({
  endpoints: (b) => ({
    calendar: b.query<CalendarPage, void>({
      query: () => routes.calendar,
      providesTags: ['Batches', 'Readings'],
    }),
    setDays: b.mutation<undefined, DaysWrite>({
      query: (body) => ({ url: routes.calendarDays, method: 'POST', body }),
      invalidatesTags: ['Batches'],
    }),
    feed: b.query<CalendarFeed, void>({ query: () => routes.calendarFeed, providesTags: ['Feed'] }),
    renewFeed: b.mutation<CalendarFeed, void>({
      query: () => ({ url: routes.calendarFeed, method: 'POST' }),
      invalidatesTags: ['Feed'],
    }),
    revokeFeed: b.mutation<undefined, void>({
      query: () => ({ url: routes.calendarFeed, method: 'DELETE' }),
      invalidatesTags: ['Feed'],
    }),
  }),
});

export const {
  useCalendarQuery,
  useSetDaysMutation,
  useFeedQuery,
  useRenewFeedMutation,
  useRevokeFeedMutation,
} = calendarApi;
