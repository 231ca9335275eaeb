import type { message, notification } from 'antd';
import { createContext, useContext } from 'react';

/** What tells of something outside the page's flow: a line at the top, or a card in the corner with a button. */
export interface NoticeApis {
  readonly message: ReturnType<typeof message.useMessage>[0];
  readonly notification: ReturnType<typeof notification.useNotification>[0];
}

export const NoticeContext = createContext<NoticeApis | null>(null);

/** @throws Error outside of `Notices` */
export function useNotices(): NoticeApis {
  const apis = useContext(NoticeContext);
  if (!apis) throw new Error('useNotices needs Notices above it');
  return apis;
}
