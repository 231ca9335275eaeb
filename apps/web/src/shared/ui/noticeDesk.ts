import { type NoticeApis } from '../hooks/useNotices.ts';

/** Takes notices before there is anything to show them, and hands them on once there is. */
export class NoticeDesk {
  private shown: NoticeApis | null = null;
  private readonly waiting: ((apis: NoticeApis) => void)[] = [];
  private readonly listeners = new Set<() => void>();

  readonly apis: NoticeApis = {
    message: {
      success: this.line('success'),
      info: this.line('info'),
      warning: this.line('warning'),
      error: this.line('error'),
    },
    notification: {
      open: (notice) => {
        this.via((a) => {
          a.notification.open(notice);
        });
      },
      destroy: (key) => {
        this.via((a) => {
          a.notification.destroy(key);
        });
      },
    },
  };

  /** Whether something waits to be shown, or was shown. */
  readonly isWanted = (): boolean => this.shown !== null || this.waiting.length > 0;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => {
      this.listeners.delete(listener);
    };
  };

  readonly show = (apis: NoticeApis): void => {
    this.shown = apis;
    for (const act of this.waiting.splice(0)) act(apis);
  };

  private via(act: (apis: NoticeApis) => void): void {
    if (this.shown) act(this.shown);
    else {
      this.waiting.push(act);
      for (const listener of this.listeners) listener();
    }
  }

  private line(kind: keyof NoticeApis['message']): NoticeApis['message']['info'] {
    return (...args) => {
      this.via((a) => {
        a.message[kind](...args);
      });
    };
  }
}
