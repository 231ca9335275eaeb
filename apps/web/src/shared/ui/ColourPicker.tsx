import { type CSSProperties, lazy, type ReactNode, Suspense, useEffect, useRef, useState } from 'react';
import styles from './ColourPicker.module.css';

const load = () => import('antd/es/color-picker');
const Picker = lazy(load);

/** Where the picker stands when no colour was chosen yet. */
const NEUTRAL = '#7f8f9a';

/**
 * A button that opens a picker of screen colours. The picker is loaded when the button is first touched; the button
 * stays the same element, so that it keeps the focus.
 */
export function ColourPicker(props: {
  /** `#rrggbb`, or null for none yet. */
  readonly value: string | null;
  /** Name of the button. */
  readonly label: string;
  /** Told while the maker drags; with `settled` only when the drag ends. */
  readonly onPick: (hex: string) => void;
  readonly settled?: boolean;
  readonly className?: string | undefined;
  readonly style?: CSSProperties;
  /** What the button shows; the colour and its hex when absent. */
  readonly children?: ReactNode;
}) {
  const { value, label, onPick, settled = false, className, style, children } = props;
  const [open, setOpen] = useState(false);
  const [wanted, setWanted] = useState(false);
  // A press outside closes the picker, and the button is outside: without this the click would open it again.
  const wasOpen = useRef(false);
  const pick = (colour: { toHexString(): string }): void => {
    onPick(colour.toHexString().slice(0, 7));
  };
  const prefetch = (): void => {
    void load();
  };
  return (
    <span className={styles.place}>
      <button
        type="button"
        className={className ?? styles.button}
        style={style}
        aria-label={label}
        aria-haspopup="dialog"
        aria-expanded={open}
        data-hex={value ?? undefined}
        onPointerEnter={prefetch}
        onFocus={prefetch}
        onPointerDown={() => {
          wasOpen.current = open;
        }}
        onClick={(event) => {
          const shown = event.detail === 0 ? open : wasOpen.current;
          wasOpen.current = false;
          setWanted(true);
          setOpen(!shown);
        }}
      >
        {children ??
          (className === undefined && (
            <>
              <i className={styles.chip} style={{ background: value ?? undefined }} /> {value ?? 'any'}
            </>
          ))}
      </button>
      {wanted && (
        <Suspense fallback={null}>
          <Picker
            value={value ?? NEUTRAL}
            disabledAlpha
            open={open}
            onOpenChange={setOpen}
            panelRender={(panel) => <Labelled>{panel}</Labelled>}
            {...(settled ? { onChangeComplete: pick } : { onChange: pick })}
          >
            <span className={styles.anchor} />
          </Picker>
        </Suspense>
      )}
    </span>
  );
}

/** Fields of the picker, and what they are called: it has no properties for their names. */
const FIELD_NAMES: readonly (readonly [selector: string, name: string])[] = [
  ['.ant-slider-handle', 'Hue'],
  ['.ant-select input', 'How the colour is written'],
  ['.ant-color-picker-hex-input input', 'Hex'],
];

function Labelled({ children }: { readonly children: ReactNode }) {
  const panel = useRef<HTMLDivElement>(null);
  // After every change of the panel: another way to write a colour has other fields.
  useEffect(() => {
    for (const [selector, name] of FIELD_NAMES)
      for (const field of panel.current?.querySelectorAll(selector) ?? [])
        field.setAttribute('aria-label', name);
  });
  return <div ref={panel}>{children}</div>;
}
