import { Switch } from 'antd';
import styles from './book.module.css';

/** Whether an instrument sees the gloss of a bar with its colour. */
export function GlossSwitch(props: {
  readonly checked: boolean;
  readonly onChange: (hasGloss: boolean) => void;
}) {
  return (
    <label className={styles.switch}>
      <Switch aria-label="It sees the gloss too" checked={props.checked} onChange={props.onChange} />
      <span>It sees the gloss too (specular included)</span>
    </label>
  );
}
