import { PrinterOutlined } from '@ant-design/icons';
import { Button } from 'antd';

/** Prints the part that is open, without the interface around it. */
export function PrintButton({ label = 'Print' }: { readonly label?: string }) {
  return (
    <Button
      className="no-print"
      icon={<PrinterOutlined />}
      onClick={() => {
        window.print();
      }}
    >
      {label}
    </Button>
  );
}
