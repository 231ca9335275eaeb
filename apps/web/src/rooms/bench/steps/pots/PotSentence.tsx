import { Segmented, Switch } from 'antd';
import { memo } from 'react';
import { hasLate, PLAN_LIMITS, type Pot, type PotPlace, setPot, type Taken } from '@kleur/core/plan';
import { grams, type Printer } from '@kleur/core/units';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { EditableSentence, type SentencePart } from '../../../../shared/ui/EditableSentence.tsx';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { MassField } from '../../../../shared/ui/Quantity.tsx';
import { usePlanFrame } from '../../state/useDerived.ts';
import { type PotFrame } from '../../state/planFrame.ts';
import { useEdit } from '../../state/useEdit.ts';
import { OwnOils } from './OwnOils.tsx';

const TAKEN: Readonly<Record<Taken, string>> = {
  emulsion: 'taken off at emulsion',
  liquid: 'taken off after the late liquid',
  additives: 'taken off after liquid and additives',
};
const PLACE: Readonly<Record<PotPlace, string>> = {
  mould: 'poured into the mould',
  top: 'piped on the top',
  spare: 'into the spare mould',
};
const lyeText = ({ ownLye, ownOils }: PotFrame): string =>
  ownLye
    ? `a mini-batch with its own ${ownOils.length > 0 ? 'oils and lye' : 'lye'}`
    : 'from the common batter';
const reserveText = (reserve: number, print: Printer): string =>
  reserve > 0 ? `${print.mass(reserve)} kept for the top` : 'nothing kept for the top';
type Gelling = 'batch' | 'oven' | 'cool';
const gelText = (gelled: boolean | null): string =>
  gelled === null
    ? 'gels as the batch does'
    : gelled
      ? 'gelled by itself, in the oven'
      : 'kept cool by itself';
const hoursText = (hours: number, print: Printer): string =>
  hours > 0 ? `${print.number(hours, 1)} h before the last pour` : 'poured with the others';

/** How a pot is taken and where it goes, as one sentence whose phrases can be changed. */
export const PotSentence = memo(function PotSentence({ potId }: { readonly potId: string }) {
  const pot = usePlanFrame().pots.find((p) => p.id === potId);
  return pot ? <Sentence key={potId} pot={pot} /> : null;
});

function Sentence({ pot }: { readonly pot: PotFrame }) {
  const edit = useEdit();
  const print = usePrinter();
  const late = hasLate(usePlanFrame());
  const set = (change: Partial<Omit<Pot, 'id' | 'doses'>>): void => {
    edit((p) => setPot(p, pot.id, change), `pot:${pot.id}:${Object.keys(change).join()}`);
  };
  const parts: SentencePart[] = [
    {
      key: 'lye',
      label: 'Whose lye',
      text: lyeText(pot),
      editor: (
        <>
          <div className="field">
            <label className="field-label" htmlFor="own-lye">
              Mini-batch, own lye
            </label>
            <Switch
              id="own-lye"
              checked={pot.ownLye}
              onChange={(ownLye) => {
                set({ ownLye });
              }}
            />
          </div>
          {pot.ownLye && <OwnOils pot={pot} />}
        </>
      ),
    },
    // Without anything late in the batter it does not matter when a pot is taken off.
    ...(late
      ? [
          {
            key: 'taken',
            label: 'When it is taken off',
            text: TAKEN[pot.taken],
            editor: (
              <Segmented<Taken>
                aria-label="Taken off the batter"
                value={pot.taken}
                onChange={(taken) => {
                  set({ taken });
                }}
                options={[
                  { value: 'emulsion', label: 'at emulsion' },
                  { value: 'liquid', label: 'after the late liquid' },
                  { value: 'additives', label: 'after liquid and additives' },
                ]}
              />
            ),
          },
        ]
      : []),
    {
      key: 'place',
      label: 'Where it goes',
      text: PLACE[pot.place],
      editor: (
        <Segmented<PotPlace>
          aria-label="Where the pot goes"
          value={pot.place}
          onChange={(place) => {
            set({ place });
          }}
          options={[
            { value: 'mould', label: 'into the mould' },
            { value: 'top', label: 'on top, piped' },
            { value: 'spare', label: 'spare mould' },
          ]}
        />
      ),
    },
    // A pot in the common mould gels with it.
    ...(pot.place === 'spare' || pot.gelled != null
      ? [
          {
            key: 'gelled',
            label: 'How it gels',
            text: gelText(pot.gelled ?? null),
            editor: (
              <Segmented<Gelling>
                aria-label="How the pot gels"
                value={pot.gelled == null ? 'batch' : pot.gelled ? 'oven' : 'cool'}
                onChange={(how) => {
                  set({ gelled: how === 'batch' ? null : how === 'oven' });
                }}
                options={[
                  { value: 'batch', label: 'as the batch' },
                  { value: 'oven', label: 'in the oven' },
                  { value: 'cool', label: 'kept cool' },
                ]}
              />
            ),
          },
        ]
      : []),
    ...(pot.place === 'mould'
      ? [
          {
            key: 'reserve',
            label: 'What is kept',
            text: reserveText(pot.reserve, print),
            editor: (
              <MassField
                label="Kept for the top"
                width={140}
                value={pot.reserve}
                {...PLAN_LIMITS.mass}
                step={10}
                onCommit={(v) => {
                  set({ reserve: grams(v) });
                }}
              />
            ),
          },
        ]
      : []),
    {
      key: 'hours',
      label: 'When it is poured',
      text: hoursText(pot.hoursBefore, print),
      editor: (
        <NumberField
          label="Poured before the last pour"
          width={190}
          value={pot.hoursBefore}
          digits={1}
          {...PLAN_LIMITS.hours}
          step={1}
          suffix="h"
          onCommit={(hoursBefore) => {
            set({ hoursBefore });
          }}
        />
      ),
    },
  ];
  return <EditableSentence label="How it is taken and where it goes" parts={parts} />;
}
