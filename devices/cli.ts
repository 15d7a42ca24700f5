// npm run device -- pot|sun --probe ID, or ph --run ID --step ID: an instrument of its own process, telling over HTTP like a real one.
import { createInterface } from 'node:readline';
import { parseArgs } from 'node:util';
import { meterReadsPh, newPot, potReads, sunReadsC, typed } from './signals';

const USAGE = `An instrument that is none, in a process of its own. It tells Hyndle over HTTP what a real one would.

  npm run device -- pot --probe ID            a dyebath on a plate; type 5, off, lid on, lid off
  npm run device -- sun --probe ID            a jar on a sunny sill
  npm run device -- ph --run ID --step ID     a meter in the bath of a step (--from 7.5 --to 4.5)

  --url http://127.0.0.1:4123                 where Hyndle answers
  --token hyndle_…                            from another machine: made at Shelf, Home, Devices at home
  --every 2                                   seconds between two readings (ph: minutes)
  --faster 60                                 how much faster than life a pot heats
  --count 0                                   readings until it ends by itself; 0: until Ctrl+C`;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    probe: { type: 'string' },
    run: { type: 'string' },
    step: { type: 'string' },
    url: { type: 'string', default: 'http://127.0.0.1:4123' },
    token: { type: 'string' },
    every: { type: 'string', default: '2' },
    faster: { type: 'string', default: '1' },
    from: { type: 'string', default: '7.5' },
    to: { type: 'string', default: '4.5' },
    count: { type: 'string', default: '0' },
    help: { type: 'boolean', default: false },
  },
});

if (values.help) {
  console.info(USAGE);
  process.exit(0);
}

function fail(why: string): never {
  console.error(`${why}\n\n${USAGE}`);
  process.exit(2);
}

/** A figure of the command line. Ends the process with what to mend. */
function figure(name: 'every' | 'faster' | 'from' | 'to' | 'count', least: number, most: number): number {
  const value = Number(values[name]);
  return Number.isFinite(value) && value >= least && value <= most ? value : fail(`--${name} is a number from ${least} to ${most}.`);
}

async function tell(path: string, body: object): Promise<void> {
  try {
    const answer = await fetch(`${values.url}/api/v1${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...(values.token ? { authorization: `Bearer ${values.token}` } : {}) },
      body: JSON.stringify(body),
    });
    if (!answer.ok) console.error(`Hyndle says: ${((await answer.json()) as { detail?: string }).detail ?? answer.status}`);
  } catch {
    // Like a real one: what nobody takes is gone, and the next reading is told again.
    console.error(`No answer from ${values.url}.`);
  }
}

/** What there is to tell next, by kind. */
function instrument(): () => Promise<string> {
  const probe = () => values.probe ?? fail('Say which probe it is: --probe ID.');
  const everyS = figure('every', 0.2, 3600);
  switch (positionals[0]) {
    case 'pot': {
      const [id, faster] = [probe(), figure('faster', 1, 600)];
      let pot = newPot();
      createInterface({ input: process.stdin }).on('line', (line) => {
        const next = typed(pot, line);
        if (next) pot = next;
        else console.error('Type a knob from 0 to 10, off, lid on or lid off.');
      });
      return async () => {
        const read = potReads(pot, everyS * faster, Math.random());
        pot = read.pot;
        await tell(`/probes/${encodeURIComponent(id)}/readings`, { readings: [{ bathC: read.bathC }] });
        return `${read.bathC} °C`;
      };
    }
    case 'sun': {
      const id = probe();
      return async () => {
        const now = new Date();
        const bathC = sunReadsC(now.getHours() + now.getMinutes() / 60, Math.random());
        await tell(`/probes/${encodeURIComponent(id)}/readings`, { readings: [{ bathC }] });
        return `${bathC} °C`;
      };
    }
    case 'ph': {
      const [run, stepId] = [values.run ?? fail('Say which run it is: --run ID.'), values.step ?? fail('Say which step it is: --step ID.')];
      const [from, to, begunMs] = [figure('from', 0, 14), figure('to', 0, 14), Date.now()];
      return async () => {
        const value = meterReadsPh(from, to, (Date.now() - begunMs) / 60_000, Math.random());
        await tell(`/runs/${encodeURIComponent(run)}/events`, { id: crypto.randomUUID(), type: 'reading', stepId, quantity: 'ph', value });
        return `pH ${value}`;
      };
    }
    default:
      return fail('Which instrument? pot, sun or ph.');
  }
}

const read = instrument();
const most = figure('count', 0, 1e9);
const everyMs = figure('every', 0.2, 3600) * 1000 * (positionals[0] === 'ph' ? 60 : 1);
for (let n = 1; ; n++) {
  console.info(await read());
  if (n === most) break;
  await new Promise((resolve) => setTimeout(resolve, everyMs));
}
process.exit(0);
