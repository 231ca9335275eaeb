import { Modal } from 'antd';
import { steps } from '../rooms/bench/steps.ts';
import { rooms } from './routes.tsx';

const groups: readonly (readonly [string, readonly (readonly [string, string])[]])[] = [
  [
    'Anywhere',
    [
      ['?', 'These keys'],
      [rooms.map((r) => r.key.toUpperCase()).join(' · '), rooms.map((r) => r.label).join(', ')],
      ['N', 'New batch, or new item on the shelf'],
      ['/', 'Search'],
    ],
  ],
  [
    'In a batch',
    [
      [steps.map((_, i) => i + 1).join(' · '), steps.map((s) => s.label).join(', ')],
      ['[ · ]', 'Back and forth in time'],
      ['G', 'No gel, half gel, full gel'],
      ['← · →', 'Move between pots, on the bench strip'],
      ['P', 'New pot'],
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
  return (
    <Modal open title="Keys" footer={null} onCancel={onClose} width={560}>
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
