import { Injectable } from '@nestjs/common';
import { defaultSettings, type Settings, type SettingsWire } from '@kleur/contract';
import { type DecimalMark, isTimeZone, type WallClock, wallClock } from '@kleur/core/units';
import { type EntityManager } from 'typeorm';
import { ProblemError } from '../problems/problem.ts';
import { serverZone } from '../storage/server-zone.ts';
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
    if (data.timeZone !== '' && !isTimeZone(data.timeZone)) {
      throw new ProblemError('invalid-input', `There is no time zone “${data.timeZone}”.`, [
        { path: 'timeZone', message: 'choose a time zone of the list' },
      ]);
    }
    return wire(await this.store.update(SETTINGS, version, { data }));
  }

  /** Day and time of a moment in the maker's zone; the server's own until that is known. */
  async clock(): Promise<(at: number) => WallClock> {
    const { timeZone } = await this.get();
    const zone = isTimeZone(timeZone) ? timeZone : serverZone();
    return (at) => wallClock(at, zone);
  }

  async fill(m: EntityManager, first: FirstContent): Promise<void> {
    const habits: Partial<Settings> =
      first === 'demo' ? { studio: 'Tarn Lane Soap Room', timeZone: serverZone(), simulated: true } : {};
    await this.store.insert(m, { data: { ...defaultSettings, ...habits } }, { id: SETTINGS });
  }
}
