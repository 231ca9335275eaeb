import { message, notification } from 'antd';
import { type ReactNode, useMemo } from 'react';
import { NoticeContext } from '../hooks/useNotices.ts';

/** Shows messages and notices of everything inside. Ant Design's own `App` would also load its dialogs at once. */
export function Notices({ children }: { children: ReactNode }) {
  const [messageApi, messages] = message.useMessage();
  const [notificationApi, notifications] = notification.useNotification();
  const apis = useMemo(
    () => ({ message: messageApi, notification: notificationApi }),
    [messageApi, notificationApi],
  );
  return (
    <NoticeContext value={apis}>
      {children}
      {messages}
      {notifications}
    </NoticeContext>
  );
}
