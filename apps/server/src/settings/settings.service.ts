import { Injectable } from '@nestjs/common';
import { InjectRepository } from '@nestjs/typeorm';
import { defaultSettings, type Settings, type SettingsWire } from '@kleur/contract';
import { type DecimalMark } from '@kleur/core';
import { type EntityManager, Repository } from 'typeorm';
import { ProblemError, staleVersion } from '../problems/problem.ts';
import { SettingsEntity } from '../storage/settings.entity.ts';
import { WriteQueue } from '../storage/write-queue.ts';

const ONLY_ROW = 1;

/** Settings as an older version stored them: a decimal mark and no other units; all spoons level. */
function present(stored: Partial<Settings> & { readonly decimalMark?: DecimalMark }): Settings {
  const { decimalMark = 'point', ...rest } = stored;
  const units = rest.units ?? { ...defaultSettings.units, decimalMark };
  const measuring = { ...defaultSettings.measuring, ...rest.measuring };
  return { ...defaultSettings, ...rest, measuring, units };
}

@Injectable()
export class SettingsService {
  constructor(
    @InjectRepository(SettingsEntity) private readonly settings: Repository<SettingsEntity>,
    private readonly writes: WriteQueue,
  ) {}

  async get(): Promise<SettingsWire> {
    const row = await this.settings.findOneByOrFail({ id: ONLY_ROW });
    return { ...present(row.data), version: row.version };
  }

  update(version: number, data: Settings): Promise<SettingsWire> {
    if (data.measuring.by === 'spoons' && data.measuring.ownedSpoons.length === 0) {
      throw new ProblemError('invalid-input', 'Measuring by spoons needs at least one spoon.', [
        { path: 'measuring.ownedSpoons', message: 'choose at least one spoon' },
      ]);
    }
    return this.writes.run(async (m) => {
      const row = await m.findOneByOrFail(SettingsEntity, { id: ONLY_ROW });
      if (row.version !== version) throw staleVersion('The settings');
      const saved = await m.save(Object.assign(row, { data, version: version + 1 }));
      return { ...saved.data, version: saved.version };
    });
  }

  async seed(m: EntityManager, data: Settings): Promise<void> {
    await m.insert(SettingsEntity, { id: ONLY_ROW, data, version: 1 });
  }
}
