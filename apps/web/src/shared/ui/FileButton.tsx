import { type ReactNode } from 'react';

/** A file input that looks like a button. The same file may be chosen twice in a row. */
export function FileButton(props: {
  readonly label: string;
  readonly icon: ReactNode;
  readonly text: string;
  readonly accept: string;
  readonly capture?: 'environment';
  readonly onFile: (file: File) => void;
}) {
  return (
    <label className="file-button">
      {props.icon} {props.text}
      <input
        type="file"
        accept={props.accept}
        capture={props.capture}
        aria-label={props.label}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) props.onFile(file);
        }}
      />
    </label>
  );
}
