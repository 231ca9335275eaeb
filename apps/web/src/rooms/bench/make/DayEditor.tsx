import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { neededLater, type RunStep } from '@kleur/core/day';
import { type DayChanges, PLAN_LIMITS, setDay } from '@kleur/core/plan';
import { newId } from '../../../data/newId.ts';
import { LevelMark } from '../../../shared/ui/Levels.tsx';
import { SortableList } from '../../../shared/ui/SortableList.tsx';
import { usePlan } from '../state/useDerived.ts';
import { useEdit } from '../state/useEdit.ts';
import styles from './make.module.css';

const OWN = 'own/';

/** The steps of the day in an order of the maker’s own, with steps put in and names of who does them. */
export function DayEditor({ steps }: { readonly steps: readonly RunStep[] }) {
  const { day } = usePlan().work;
  const edit = useEdit();
  const set = (change: Partial<DayChanges>): void => {
    edit((p) => setDay(p, change), 'day');
  };
  const [title, setTitle] = useState('');
  const [text, setText] = useState('');
  const [after, setAfter] = useState('');
  const add = (): void => {
    const id = newId();
    set({ added: [...day.added, { id, title: title.trim(), text: text.trim(), after }] });
    setTitle('');
    setText('');
  };
  const nameStep = (stepId: string, name: string): void => {
    const others = day.helpers.filter((h) => h.stepId !== stepId);
    set({ helpers: name.trim() === '' ? others : [...others, { stepId, name }] });
  };
  const isFull = day.added.length >= PLAN_LIMITS.addedSteps;
  return (
    <section aria-label="Change the day">
      <SortableList
        label="Steps of the day"
        items={steps.map((step) => ({
          id: step.id,
          label: step.title,
          shown: (
            <span className={styles.dayRow}>
              <span>
                {step.title}
                {neededLater(step, steps).length > 0 && (
                  <span className="small">
                    {' '}
                    <LevelMark level="warn" /> needs what comes later:{' '}
                    {neededLater(step, steps)
                      .map((s) => s.title)
                      .join(', ')}
                  </span>
                )}
              </span>
              <Input
                aria-label={`Who does: ${step.title}`}
                placeholder="who does it"
                maxLength={PLAN_LIMITS.name}
                value={day.helpers.find((h) => h.stepId === step.id)?.name ?? ''}
                onChange={(e) => {
                  nameStep(step.id, e.target.value);
                }}
              />
              {step.id.startsWith(OWN) && (
                <Button
                  onClick={() => {
                    set({ added: day.added.filter((a) => `${OWN}${a.id}` !== step.id) });
                  }}
                >
                  Take out
                </Button>
              )}
            </span>
          ),
        }))}
        onOrder={(order) => {
          set({ order: [...order] });
        }}
      />
      <div className={styles.dayAdd} role="group" aria-label="Put in a step">
        <div className="field">
          <span className="field-label">A step of my own</span>
          <Input
            aria-label="Title of the step"
            maxLength={PLAN_LIMITS.name}
            value={title}
            onChange={(e) => {
              setTitle(e.target.value);
            }}
          />
        </div>
        <div className="field">
          <span className="field-label">What to see to</span>
          <Input
            aria-label="What to see to"
            maxLength={PLAN_LIMITS.remark}
            value={text}
            onChange={(e) => {
              setText(e.target.value);
            }}
          />
        </div>
        <div className="field">
          <span className="field-label">It follows</span>
          <Select
            aria-label="The step it follows"
            value={after}
            popupMatchSelectWidth={false}
            onChange={setAfter}
            options={[
              { value: '', label: 'at the very beginning' },
              ...steps.map((s) => ({ value: s.id, label: s.title })),
            ]}
          />
        </div>
        <Button disabled={title.trim() === '' || isFull} onClick={add}>
          Put it in
        </Button>
        {isFull && <span className="soft">There are as many steps of your own as a day can hold.</span>}
        {(day.order.length > 0 || day.added.length > 0) && (
          <Button
            onClick={() => {
              set({ order: [], added: [] });
            }}
          >
            As the plan has it
          </Button>
        )}
      </div>
    </section>
  );
}
