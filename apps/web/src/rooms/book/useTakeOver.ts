import { type MaterialWire } from '@kleur/contract';
import { failureOf } from '../../data/api.ts';
import { useAcceptCurvesMutation, useForgetCurvesMutation, useTakeBackMutation } from '../../data/book.ts';
import { useNotices } from '../../shared/hooks/useNotices.ts';

export interface TakeOver {
  readonly busy: boolean;
  readonly accept: (fitId: string, materials: readonly MaterialWire[]) => Promise<void>;
  readonly forget: (material: MaterialWire) => Promise<void>;
  readonly forgetBase: () => Promise<void>;
  readonly back: (version: number, material: MaterialWire) => Promise<void>;
}

const PLANS_KEEP = 'Plans keep the curves they were made with until you take the new ones.';

/** Takes over what was learnt, or gives it up, and says so. */
export function useTakeOver(): TakeOver {
  const { message } = useNotices();
  const [accept, { isLoading: isAccepting }] = useAcceptCurvesMutation();
  const [forget, { isLoading: isForgetting }] = useForgetCurvesMutation();
  const [back, { isLoading: isGoingBack }] = useTakeBackMutation();
  const attempt = async (work: Promise<unknown>, done: string): Promise<void> => {
    try {
      await work;
      message.success(done);
    } catch (error) {
      message.error(failureOf(error).message);
    }
  };
  return {
    busy: isAccepting || isForgetting || isGoingBack,
    accept: (fitId, materials) => {
      const [first] = materials;
      const who = !first
        ? 'The bare base goes'
        : materials.length === 1
          ? `${first.name} goes`
          : `${materials.length} colourants go`;
      const materialIds = materials.map((m) => m.id);
      return attempt(
        accept({ fitId, materialIds }).unwrap(),
        `${who} by your bars from now on. ${PLANS_KEEP}`,
      );
    },
    forget: ({ id, name }) =>
      attempt(forget({ materialIds: [id] }).unwrap(), `${name} goes by its shelf entry again.`),
    forgetBase: () =>
      attempt(
        forget({ materialIds: [], base: true }).unwrap(),
        'New plans count on the reference base again.',
      ),
    back: (version, { id, name }) =>
      attempt(back({ version, materialIds: [id] }).unwrap(), `${name} has the curve of that day again.`),
  };
}
