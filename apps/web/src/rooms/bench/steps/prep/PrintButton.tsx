import { PrinterOutlined } from '../../../../shared/ui/icons.tsx';
import { Button } from 'antd';
import { useKeys } from '../../../../shared/hooks/useKeys.ts';
import { KEYS } from '../../../../shared/keys.ts';

/** Prints the part that is open, without the interface around it. */
export function PrintButton({ label = 'Print' }: { readonly label?: string }) {
  const print = (): void => {
    window.print();
  };
  useKeys({ [KEYS.print.key]: print });
  return (
    <Button className="no-print" icon={<PrinterOutlined />} onClick={print}>
      {label}
    </Button>
  );
}
