import { DownloadOutlined } from '../../../shared/ui/icons.tsx';
import { Button, Dropdown } from 'antd';
import { useState } from 'react';
import { type PaletteFile, paletteFormats } from '@kleur/core/formats';
import { downloadPalette } from './paletteFiles.ts';

/** The palette as a file, in the format that is chosen. It opens as soon as it is there: it was asked for. */
export default function ExportMenu({
  file,
  disabled,
}: {
  readonly file: PaletteFile;
  readonly disabled: boolean;
}) {
  const [open, setOpen] = useState(true);
  const exportAs = (ending: string): void => {
    const format = paletteFormats.find((f) => f.ending === ending);
    if (format) void downloadPalette(format, file);
  };
  return (
    <Dropdown
      open={open}
      onOpenChange={setOpen}
      trigger={['click']}
      menu={{
        items: paletteFormats.map(({ ending, label }) => ({ key: ending, label: `${label} (.${ending})` })),
        onClick: ({ key }) => {
          exportAs(key);
        },
      }}
    >
      <Button icon={<DownloadOutlined />} disabled={disabled}>
        Export
      </Button>
    </Dropdown>
  );
}
