import { type BatchWrite } from '@kleur/contract';
import { upgradePlan } from '@kleur/core/plan';

/** A batch as this version understands it, whatever version wrote it. @throws TypeError for what is none. */
export const presentBatch = (batch: BatchWrite): BatchWrite => ({ ...batch, plan: upgradePlan(batch.plan) });
