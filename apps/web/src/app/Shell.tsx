import { QuestionCircleOutlined } from '../shared/ui/icons.tsx';
import { lazy, Suspense, useEffect, useState } from 'react';
import { useStore } from 'react-redux';
import { NavLink, Outlet, useNavigate, useNavigation } from 'react-router';
import { type AppStore } from '../data/store.ts';
import { tellTimeZone } from '../data/timeZone.ts';
import { useKeys } from '../shared/hooks/useKeys.ts';
import { useNotices } from '../shared/hooks/useNotices.ts';
import { KEYS } from '../shared/keys.ts';
import { rooms } from './routes.tsx';
import { SignIn } from './SignIn.tsx';

const KeyHelp = lazy(() => import('./KeyHelp.tsx'));

/** The rail of rooms and the room that is open. */
export function Shell() {
  const navigate = useNavigate();
  const navigation = useNavigation();
  const [help, setHelp] = useState(false);
  const store = useStore() as AppStore;
  const { message } = useNotices();
  useEffect(
    () =>
      tellTimeZone(store, (zone) => {
        message.info(`Days now follow ${zone.replaceAll('_', ' ')}. You can change it in Settings.`);
      }),
    [store, message],
  );
  useKeys({
    [KEYS.help.key]: () => {
      setHelp((shown) => !shown);
    },
    ...Object.fromEntries(rooms.map(({ key, path }) => [key, () => void navigate(`/${path}`)])),
  });
  return (
    <div className="shell">
      <a className="skip" href="#room">
        Skip to the room
      </a>
      <nav className="rail" aria-label="Rooms">
        <span className="mark" aria-hidden>
          <i />
          <i />
          <i />
        </span>
        {rooms.map(({ path, label, icon }) => (
          <NavLink key={path} to={`/${path}`} className="rail-link">
            {icon}
            <span>{label}</span>
          </NavLink>
        ))}
        <button
          type="button"
          className="rail-link rail-help"
          onClick={() => {
            setHelp(true);
          }}
        >
          <QuestionCircleOutlined />
          <span>Keys</span>
        </button>
      </nav>
      <main id="room" className={navigation.state === 'loading' ? 'room room-loading' : 'room'} tabIndex={-1}>
        <Outlet />
      </main>
      <SignIn />
      {help && (
        <Suspense fallback={null}>
          <KeyHelp
            onClose={() => {
              setHelp(false);
            }}
          />
        </Suspense>
      )}
    </div>
  );
}
