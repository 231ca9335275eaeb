import { QRCode } from 'antd';
import { useAccessQuery } from '../../data/access.ts';
import { tokens } from '../../shared/tokens.ts';
import styles from './SettingsRoom.module.css';

/** Where a tablet or a phone finds this workspace. */
export function TabletSection() {
  const { data: access } = useAccessQuery();
  if (!access) return null;
  const [first, ...others] = access.lan;
  return (
    <section>
      <h2>On a tablet or phone</h2>
      {first === undefined ? (
        <p className="soft">
          Kleur answers on this machine alone. Started with <code>npm start -- --lan</code> it opens to the
          devices of your network, encrypted and behind the passphrase.
        </p>
      ) : (
        <>
          <p>
            Open <b className="figure">{first}</b> there, or point its camera here. Trust this machine once on
            the device (<a href={`${first}/trust`}>how</a>), then Kleur can be installed on it and opens
            without the server.
          </p>
          <div className={styles.qr}>
            <QRCode value={first} type="svg" size={180} color={tokens.text} bgColor="#fff" />
          </div>
          {others.length > 0 && <p className="soft">Other addresses of this machine: {others.join(', ')}</p>}
        </>
      )}
    </section>
  );
}
