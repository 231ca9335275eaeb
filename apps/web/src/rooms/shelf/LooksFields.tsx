import { Form, Switch } from 'antd';
import { COURSE_STAGES, type EntryFace, type Looks } from '@kleur/core/material';
import { NumberItem } from '../../shared/form/NumberItem.tsx';
import { ColourItem } from './ColourItem.tsx';
import styles from './LooksFields.module.css';

/** How a look starts when it is told for the first time. */
const FIRST_FRESH = { halfLife: 9 };
const FIRST_FADES = { keeps: 0.6, to: null, days: 60 };

/** What the maker knows of its looks beside the settled colour, and what follows from it. */
export function LooksFields({
  colour,
  looks,
  course,
}: {
  readonly colour: string;
  readonly looks: Looks;
  readonly course: EntryFace['course'];
}) {
  const { ungelled, fresh, fades } = looks;
  return (
    <fieldset className={styles.looks}>
      <legend>What else is known of its looks</legend>
      {course && (
        <ol className={styles.course} aria-label="Its colour from pot to window">
          {COURSE_STAGES.map(([name], i) => (
            <li key={name}>
              <i style={{ background: course[i]!.hex }} data-hex={course[i]!.hex} />
              <span>{name}</span>
            </li>
          ))}
        </ol>
      )}
      <div className={styles.line}>
        <Known name="ungelled" label="Another colour without gel" first={colour} known={ungelled !== null} />
        {ungelled !== null && (
          <Form.Item name={['looks', 'ungelled']} trigger="onPick" noStyle>
            <ColourItem label="Colour without gel" />
          </Form.Item>
        )}
      </div>
      <div className={styles.line}>
        <Known
          name="fresh"
          label="Another colour in the pot"
          first={{ ...FIRST_FRESH, colour }}
          known={fresh !== null}
        />
        {fresh !== null && (
          <>
            <Form.Item name={['looks', 'fresh', 'colour']} trigger="onPick" noStyle>
              <ColourItem label="Colour in the pot" />
            </Form.Item>
            <NumberItem
              name={['looks', 'fresh', 'halfLife']}
              label="Half of it gone after"
              width={150}
              digits={1}
              min={0.1}
              max={1000}
              suffix="hours"
            />
          </>
        )}
      </div>
      <div className={styles.line}>
        <Known name="fades" label="Fades" first={FIRST_FADES} known={fades !== null} />
        {fades !== null && (
          <>
            <NumberItem
              name={['looks', 'fades', 'keeps']}
              label="Keeps"
              width={90}
              digits={0}
              min={0}
              max={100}
              scale={100}
              suffix="%"
            />
            <NumberItem
              name={['looks', 'fades', 'days']}
              label="Two thirds of the rest gone, in a window, after"
              width={150}
              digits={0}
              min={0.1}
              max={10_000}
              suffix="days"
            />
            <div className={styles.end}>
              <Known
                name={['fades', 'to']}
                label="Fades to another colour"
                first={colour}
                known={fades.to !== null}
              />
              {fades.to !== null && (
                <Form.Item name={['looks', 'fades', 'to']} trigger="onPick" noStyle>
                  <ColourItem label="Colour it fades to" />
                </Form.Item>
              )}
            </div>
          </>
        )}
      </div>
      <NumberItem
        name="pace"
        label="Working time of its pot, at the typical dose"
        width={150}
        digits={2}
        min={0.05}
        max={2}
        suffix="× as long"
      />
    </fieldset>
  );
}

/** Whether a look is known at all: on, it starts from `first`; off, it is none. */
function Known(props: {
  readonly name: string | readonly string[];
  readonly label: string;
  readonly first: unknown;
  readonly known: boolean;
}) {
  const form = Form.useFormInstance();
  const path = ['looks', ...(typeof props.name === 'string' ? [props.name] : props.name)];
  return (
    <label className={styles.known}>
      <Switch
        size="small"
        checked={props.known}
        onChange={(on) => {
          form.setFieldValue(path, on ? props.first : null);
        }}
      />
      {props.label}
    </label>
  );
}
