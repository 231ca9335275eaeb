import {
  AppstoreOutlined,
  DatabaseOutlined,
  QuestionCircleOutlined,
  SettingOutlined,
} from '@ant-design/icons';
import { lazy, Suspense, useState } from 'react';
import { NavLink, Outlet, useNavigate, useNavigation } from 'react-router';
import { useKeys } from '../shared/hooks/useKeys.ts';

const KeyHelp = lazy(() => import('./KeyHelp.tsx'));

const rooms = [
  { to: '/batches', label: 'Batches', icon: <AppstoreOutlined /> },
  { to: '/shelf', label: 'Shelf', icon: <DatabaseOutlined /> },
  { to: '/settings', label: 'Settings', icon: <SettingOutlined /> },
];

/** The rail of rooms and the room that is open. */
export function Shell() {
  const navigate = useNavigate();
  const navigation = useNavigation();
  const [help, setHelp] = useState(false);
  useKeys({
    '?': () => {
      setHelp((shown) => !shown);
    },
    b: () => void navigate('/batches'),
    s: () => void navigate('/shelf'),
    ',': () => void navigate('/settings'),
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
        {rooms.map(({ to, label, icon }) => (
          <NavLink key={to} to={to} className="rail-link">
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
