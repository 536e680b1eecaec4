import { notification } from 'antd';
import { createContext, useContext, type ReactNode } from 'react';

export type Notices = ReturnType<typeof notification.useNotification>[0];

const NoticesContext = createContext<Notices | null>(null);

/** Short notices at the edge of the page. */
export function useNotices(): Notices {
  const notices = useContext(NoticesContext);
  if (!notices) throw new Error('notices are asked for outside their provider');
  return notices;
}

/** Only this part of the component library’s application frame is used; the rest of it would double the first page. */
export function NoticesProvider({ children }: { readonly children: ReactNode }) {
  const [notices, holder] = notification.useNotification({ placement: 'bottomLeft' });
  return (
    <NoticesContext value={notices}>
      {holder}
      {children}
    </NoticesContext>
  );
}
