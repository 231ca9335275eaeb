import type { message, notification } from 'antd';
import { createContext, useContext } from 'react';

type Message = ReturnType<typeof message.useMessage>[0];

/** What tells of something outside the page's flow: a line at the top, or a card in the corner with a button. */
export interface NoticeApis {
  readonly message: Readonly<
    Record<'success' | 'info' | 'warning' | 'error', (...args: Parameters<Message['info']>) => void>
  >;
  readonly notification: Pick<ReturnType<typeof notification.useNotification>[0], 'open' | 'destroy'>;
}

export const NoticeContext = createContext<NoticeApis | null>(null);

/** @throws Error outside of `Notices` */
export function useNotices(): NoticeApis {
  const apis = useContext(NoticeContext);
  if (!apis) throw new Error('useNotices needs Notices above it');
  return apis;
}
