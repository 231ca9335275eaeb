import { message, notification } from 'antd';
import { useEffect } from 'react';
import { type NoticeApis } from '../hooks/useNotices.ts';

/** Where messages and notices appear. */
export function NoticeHost({ onReady }: { readonly onReady: (apis: NoticeApis) => void }) {
  const [messageApi, messages] = message.useMessage();
  const [notificationApi, notifications] = notification.useNotification();
  useEffect(() => {
    onReady({ message: messageApi, notification: notificationApi });
  }, [onReady, messageApi, notificationApi]);
  return (
    <>
      {messages}
      {notifications}
    </>
  );
}
