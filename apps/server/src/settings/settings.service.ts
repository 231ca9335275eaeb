import { Injectable } from '@nestjs/common';
import { defaultSettings, type Settings, type SettingsWire } from '@kleur/contract';
import { type DecimalMark } from '@kleur/core/units';
import { type EntityManager } from 'typeorm';
import { ProblemError } from '../problems/problem.ts';
import { Documents, type DocumentStore } from '../storage/document-store.ts';
import { type Content, type FirstContent } from '../storage/domain.ts';
import { isUnreadable } from '../storage/json-column.ts';
import { SettingsEntity } from './settings.entity.ts';

/** Id of the one document. */
const SETTINGS = 'settings';

/**
 * Settings as older versions stored them: a decimal mark and no other units; no currency; all spoons level; a
 * gel for all batches.
 */
function present(
  stored: Partial<Settings> & { readonly decimalMark?: DecimalMark; readonly gel?: number },
): Settings {
  const { decimalMark = 'point', gel: _gel, ...rest } = stored;
  const units = { ...defaultSettings.units, decimalMark, ...rest.units };
  const measuring = { ...defaultSettings.measuring, ...rest.measuring };
  return { ...defaultSettings, ...rest, measuring, units };
}

/** Habits that cannot be read are nobody's loss: the usual ones stand in for them. */
const wire = ({ data, version }: SettingsEntity): SettingsWire => ({
  ...(isUnreadable(data) ? defaultSettings : present(data)),
  version,
});

@Injectable()
export class SettingsService implements Content {
  private readonly store: DocumentStore<SettingsEntity>;

  constructor(documents: Documents) {
    this.store = documents.of(SettingsEntity, 'The settings');
  }

  async get(): Promise<SettingsWire> {
    return wire(await this.store.get(SETTINGS));
  }

  async update(version: number, data: Settings): Promise<SettingsWire> {
    if (data.measuring.by === 'spoons' && data.measuring.ownedSpoons.length === 0) {
      throw new ProblemError('invalid-input', 'Measuring by spoons needs at least one spoon.', [
        { path: 'measuring.ownedSpoons', message: 'choose at least one spoon' },
      ]);
    }
    return wire(await this.store.update(SETTINGS, version, { data }));
  }

  async fill(m: EntityManager, first: FirstContent): Promise<void> {
    const studio = first === 'demo' ? 'Tarn Lane Soap Room' : '';
    await this.store.insert(m, { data: { ...defaultSettings, studio } }, { id: SETTINGS });
  }
}
