import { Modal, Switch } from 'antd';
import { useState } from 'react';
import { steps } from '../rooms/bench/steps.ts';
import { areLetterKeysOn, KEYS, setLetterKeys } from '../shared/keys.ts';
import { rooms } from './routes.tsx';

type Row = readonly [key: string, what: string];

const row = ({ key, label }: { readonly key: string; readonly label: string }): Row => [
  key.toUpperCase(),
  label,
];

const groups: readonly (readonly [string, readonly Row[]])[] = [
  [
    'Anywhere',
    [
      row(KEYS.help),
      ...rooms.map((r): Row => [r.key.toUpperCase(), r.label]),
      row(KEYS.fresh),
      row(KEYS.search),
    ],
  ],
  [
    'In a batch',
    [
      ...steps.map((s, i): Row => [String(i + 1), s.label]),
      row(KEYS.nextPart),
      row(KEYS.earlier),
      row(KEYS.later),
      row(KEYS.gel),
      ['← · →', 'Move between pots, on the row of pots'],
      row(KEYS.newPot),
      row(KEYS.match),
      row(KEYS.checks),
      row(KEYS.nextFinding),
      row(KEYS.print),
      ['Ctrl Z · Ctrl Shift Z', 'Undo, redo'],
    ],
  ],
  [
    'In a number',
    [
      ['↑ · ↓', 'A little more, a little less'],
      ['Esc', 'Back to the last good value'],
    ],
  ],
];

export default function KeyHelp({ onClose }: { readonly onClose: () => void }) {
  const [on, setOn] = useState(areLetterKeysOn);
  return (
    <Modal open title="Keys" footer={null} onCancel={onClose} width={640}>
      <label className="time-light">
        <Switch
          checked={on}
          onChange={(next) => {
            setLetterKeys(next);
            setOn(next);
          }}
        />
        Keys of one letter or sign
      </label>
      <div className="keys">
        {groups.map(([title, rows]) => (
          <section key={title}>
            <h3>{title}</h3>
            <dl>
              {rows.map(([key, what]) => (
                <div key={key}>
                  <dt>{key}</dt>
                  <dd>{what}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Modal>
  );
}
