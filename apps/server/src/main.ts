import 'reflect-metadata';
import { existsSync } from 'node:fs';
import { type RequestListener } from 'node:http';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { setFlagsFromString } from 'node:v8';
import { pino } from 'pino';
import { createApp } from './create-app.ts';
import { domains } from './domains.ts';
import { AccessService } from './access/access.service.ts';
import { isLoopback, namesOf } from './access/hosts.ts';
import { LOG_SERIALIZERS } from './access/request-log.ts';
import { limitConnections } from './access/limit-connections.ts';
import { certifiedNames } from './lan/addresses.ts';
import { lanOf, openLan } from './lan/open-lan.ts';
import { madePassphrase } from './lan/passphrase.ts';
import { openDataFolder, STORAGE_EXIT_CODE } from './storage/data-folder.ts';
import { checkAddress, checkPassphrase, portFrom, StartError, startProblem } from './start-problem.ts';
import { claimFolder } from './storage/owner.ts';
import { prepareFile } from './storage/prepare-file.ts';

/*
 * Environment: KLEUR_DATA folder of the data file · PORT (4173) · HOST (127.0.0.1) · KLEUR_HOSTS other names under
 * which it is reached, with commas · KLEUR_PASSPHRASE sets the passphrase of the workspace · LOG_LEVEL.
 * KLEUR_LAN_PORT port for other devices (PORT + 1).
 * Flags: --empty gives a new data folder the starting shelf only, without the demo batches; --lan opens Kleur to other
 * devices of the network, encrypted and behind a passphrase.
 */
// The engine would rather take a machine's memory than tidy up: what it keeps may grow by a quarter between two times.
setFlagsFromString('--heap-growing-percent=25');
const log = pino(
  { level: process.env.LOG_LEVEL ?? 'warn', serializers: LOG_SERIALIZERS },
  pino.destination(2),
);
const isLan = process.argv.includes('--lan');
const host = process.env.HOST ?? '127.0.0.1';
const EVERY_ADDRESS = '0.0.0.0';
const NO_PASSPHRASE = `HOST is ${host}: other machines could reach Kleur, and it has no passphrase. Give it one with KLEUR_PASSPHRASE, or in Settings while it listens on this machine alone.`;
// As compiled, or as it stands: whatever this file is.
const workerFile = fileURLToPath(
  new URL(import.meta.url.endsWith('.ts') ? './heavy/heavy.worker.ts' : './heavy.worker.js', import.meta.url),
);
const webRoot = fileURLToPath(new URL('../../web/dist', import.meta.url));

try {
  const port = portFrom(process.env.PORT);
  await checkAddress(port, host);
  const file = openDataFolder(resolve(process.env.KLEUR_DATA ?? '.kleur'));
  const folder = dirname(file);
  claimFolder(folder);
  const lan = isLan ? lanOf(folder, portFrom(process.env.KLEUR_LAN_PORT ?? String(port + 1))) : null;
  if (lan) await checkAddress(lan.port, EVERY_ADDRESS);
  const access = new AccessService(folder, isLoopback(host) && !isLan, lan?.origins);
  const passphrase = checkPassphrase(process.env.KLEUR_PASSPHRASE);
  if (passphrase !== null) await access.set(passphrase);
  const made = isLan && !access.isProtected ? madePassphrase() : null;
  if (made !== null) await access.set(made);
  if (!access.isLocal && !access.isProtected) throw new StartError(NO_PASSPHRASE);
  prepareFile(file, domains);
  const app = await createApp(
    {
      file,
      onStorageLost: (error) => {
        console.error(error.message);
        process.exit(STORAGE_EXIT_CODE);
      },
      onCopyFailed: (error) => {
        log.error({ err: error }, 'the daily copy of the data file failed');
      },
      access,
      workerFile,
      names: [
        ...namesOf(host),
        ...(lan ? [...namesOf(EVERY_ADDRESS), ...certifiedNames()] : []),
        ...(process.env.KLEUR_HOSTS ?? '').split(',').map((n) => n.trim()),
      ].filter(Boolean),
      first: process.argv.includes('--empty') ? 'empty' : 'demo',
      ...(existsSync(webRoot) ? { webRoot } : {}),
      ...(lan ? { root: lan.root } : {}),
    },
    log,
  );
  limitConnections(app.getHttpServer());
  await app.listen(port, host);
  console.log(`Kleur is ready at http://${host}:${port} (data in ${file})`);
  if (lan) limitConnections(await openLan(lan, app.getHttpAdapter().getInstance() as RequestListener, made));
} catch (error) {
  const problem = startProblem(error);
  if (problem !== null) console.error(problem);
  else log.fatal({ err: error }, 'could not start');
  process.exit(problem === null ? 1 : STORAGE_EXIT_CODE);
}
