import type { Changed, LiveMessage } from '@/contract/views';

/** Acts that change what a lot's passport, the stock or a list of sessions says. */
const TELLING = new Set(['stepFinished', 'skipped', 'addition', 'amended', 'finished', 'moved', 'lotOut', 'lotIn']);

type Test = (message: LiveMessage, id: string | undefined) => boolean;
const changed =
  (...what: readonly Changed[]): Test =>
  (message, id) =>
    message.kind === 'changed' && what.includes(message.what) && (id === undefined || message.id === id);
const acted: Test = (message) => message.kind === 'event' && TELLING.has(message.event.type);
const any =
  (...tests: readonly Test[]): Test =>
  (message, id) =>
    tests.some((test) => test(message, id));

/** By path below /api/v1: what makes an answer that was fetched there a thing of the past. The first group is an id. */
const CONCERNS: readonly (readonly [RegExp, Test])[] = [
  [/^\/home$/, changed('home')],
  [/^\/doors$/, changed('doors')],
  [/^\/health$/, changed('health')],
  [/^\/lots\/[^/]+\/looks$/, (message) => changed('lot', 'look')(message, undefined)],
  // A lot's past goes on in the lots it was split from or joined of, so any lot concerns each.
  [/^\/lots/, any((message) => changed('lot', 'look')(message, undefined), acted)],
  [/^\/looks/, (message) => changed('look')(message, undefined)],
  [/^\/swatches/, any(changed('look', 'lot', 'fastness'), acted)],
  [/^\/fastness/, (message) => changed('fastness', 'look', 'lot')(message, undefined)],
  [/^\/trials/, any((message) => changed('trial', 'look', 'lot', 'session')(message, undefined), acted)],
  [/^\/vessels$/, changed('vessel')],
  // A curve teaches when its step is over, or was set right.
  [/^\/pots\/heat$/, any(changed('vessel'), (message) => message.kind === 'event' && ['stepFinished', 'amended'].includes(message.event.type))],
  [/^\/pots\/held$/, any(changed('run'), acted)],
  [/^\/water\/learnt$/, (message) => message.kind === 'event'],
  [/^\/methods(?:\/([^/]+))?$/, changed('method')],
  [/^\/(?:dyestuffs|assistants|substances)$/, changed('substance')],
  [/^\/liquors$/, changed('liquor')],
  [/^\/baths/, any((message) => changed('liquor', 'session', 'run', 'look')(message, undefined), acted)],
  [/^\/stock$/, any(changed('stock'), acted)],
  [/^\/stays$/, any(changed('session', 'run'), acted)],
  [/^\/sessions$/, any(changed('session', 'run'), acted)],
  [/^\/sessions\/([^/]+)\/weigh-out$/, changed('weigh', 'session')],
  [/^\/sessions\/[^/]+\/shopping$/, any(changed('stock', 'session'), acted)],
  [/^\/sessions\/([^/]+)/, any(changed('session'), (message) => message.kind === 'changed' && message.what === 'run')],
  [/^\/runs\/running$/, changed('run', 'home')],
  [/^\/runs\/([^/]+)\/record$/, (message, id) => (message.kind === 'event' && message.runId === id) || changed('run')(message, id)],
  // How it calls is as the home says.
  [/^\/runs\/([^/]+)$/, any(changed('run'), (message) => changed('home')(message, undefined))],
  [/^\/sim-pots$/, changed('simPot')],
];

/** Whether what was fetched at `path` must be fetched again after this message. */
export function concerns(path: string, message: LiveMessage): boolean {
  if (message.kind === 'changed' && message.what === 'everything') return true;
  for (const [pattern, test] of CONCERNS) {
    const found = pattern.exec(path);
    if (found) return test(message, found[1]);
  }
  return false;
}
