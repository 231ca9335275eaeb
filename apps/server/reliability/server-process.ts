import { type ChildProcess, spawn } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const MAIN = join(import.meta.dirname, '..', 'bundle', 'main.js');

export interface Ended {
  readonly code: number | null;
  readonly stderr: string;
}

export interface Started {
  readonly child: ChildProcess;
  readonly ready: Promise<void>;
  readonly ended: Promise<Ended>;
  /** What it has said so far at the terminal. */
  readonly said: () => string;
}

export interface ServerProcess {
  readonly origin: string;
  /** The data folder, new for each test. */
  folder: string;
  /**
   * @param prefix a command that runs the server, to limit it.
   * @param env more for its environment.
   */
  readonly start: (
    prefix?: readonly string[],
    port?: number | string,
    env?: NodeJS.ProcessEnv,
    flags?: readonly string[],
  ) => Started;
  /** Starts on a folder that holds the demo, which is made by a first start and copied after that. */
  readonly startWithDemo: (prefix?: readonly string[], env?: NodeJS.ProcessEnv) => Promise<Started>;
  readonly stopAll: () => void;
}

/** The built server as a process of its own, on a data folder that each test gets anew; whatever runs ends with the test. */
export function serverProcess(ownPort: number): ServerProcess {
  const running = new Set<ChildProcess>();
  let demo: string | null = null;
  const server: ServerProcess = {
    origin: `http://127.0.0.1:${ownPort}`,
    folder: '',
    start(prefix = [], port = ownPort, env = {}, flags = []) {
      const [command, ...args] = [...prefix, process.execPath, MAIN];
      const child = spawn(command, [...args, ...flags], {
        // Its own files need no compiler, which the tests are loaded through.
        env: { ...process.env, NODE_OPTIONS: '', ...env, KLEUR_DATA: server.folder, PORT: String(port) },
      });
      running.add(child);
      let stderr = '';
      let stdout = '';
      child.stderr.on('data', (d: Buffer) => (stderr += d.toString()));
      const ready = new Promise<void>((resolve, reject) => {
        child.on('exit', () => {
          reject(new Error(`The server ended before it was ready: ${stderr}`));
        });
        child.stdout.on('data', (d: Buffer) => {
          stdout += d.toString();
          if (stdout.includes('ready')) resolve();
        });
      });
      // Tests of a server that ends at once do not wait for it to be ready.
      ready.catch(() => undefined);
      const ended = new Promise<Ended>((resolve) =>
        child.on('exit', (code) => {
          resolve({ code, stderr });
        }),
      );
      return { child, ready, ended, said: () => stdout };
    },
    async startWithDemo(prefix = [], env = {}) {
      if (demo === null) {
        demo = mkdtempSync(join(tmpdir(), 'kleur-demo-'));
        const own = server.folder;
        server.folder = demo;
        const maker = server.start();
        await maker.ready;
        maker.child.kill('SIGTERM');
        await maker.ended;
        server.folder = own;
      }
      cpSync(demo, server.folder, { recursive: true });
      const started = server.start(prefix, ownPort, env);
      await started.ready;
      return started;
    },
    stopAll() {
      for (const child of running) child.kill('SIGKILL');
      running.clear();
    },
  };
  beforeEach(() => {
    server.folder = mkdtempSync(join(tmpdir(), 'kleur-process-'));
  });
  afterEach(() => {
    server.stopAll();
    rmSync(server.folder, { recursive: true, force: true });
  });
  afterAll(() => {
    if (demo !== null) rmSync(demo, { recursive: true, force: true });
  });
  return server;
}
