import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

export interface Served {
  readonly base: string;
  readonly stop: () => void;
}

/** The built application on a data folder of its own. @param demo with the demo's data @throws when it does not answer within 60 s */
export async function serve(port: number, demo: boolean): Promise<Served> {
  const data = mkdtempSync(path.join(tmpdir(), 'hyndle-bench-'));
  const base = `http://127.0.0.1:${port}`;
  const server = spawn(process.execPath, ['bin/server.mjs', String(port)], {
    env: {
      ...process.env,
      NODE_ENV: 'production',
      NEXT_MANUAL_SIG_HANDLE: 'true',
      HYNDLE_DATA: data,
      HYNDLE_DEMO: demo ? '1' : '',
      HYNDLE_TEMPLATE: path.resolve('.cache/pg-template'),
      PORT: String(port),
    },
    stdio: 'ignore',
  });
  const stop = () => {
    server.once('exit', () => rmSync(data, { recursive: true, force: true }));
    server.kill('SIGTERM');
  };
  for (let i = 0; i < 600; i++) {
    const answers = await fetch(`${base}/api/v1/health`).then(
      (r) => r.ok,
      () => false,
    );
    if (answers) return { base, stop };
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  stop();
  throw new Error(`Nothing answers at ${base}. Is the application built?`);
}
