import { joinInput } from '@/contract/doors';
import { plainAddress } from '@/core/doors/address';
import { answerWith, checked, problemResponse } from '@/server/door';
import { cookieLine } from '@/server/doors/cookie';
import { openApp } from '@/server/openApp';
import { Problem } from '@/server/problem';
import { readJson, readLimited } from '@/server/readable';

export const dynamic = 'force-dynamic';

const MOST_BYTES = 2048;
const WORDS = {
  wrong: 'This code is wrong. Check it on the main computer: after several wrong tries it has twelve digits.',
  closed: 'There is no code, or it has expired. Get a new one on the main computer: Shelf → Home → Let a device in.',
  full: 'As many devices have joined as Hyndle takes. Put one out on the machine first.',
} as const;

/** A device joins by the digits that the machine shows, and gets a cookie of its own. */
export const POST = (request: Request): Promise<Response> =>
  answerWith(openApp, request, async ({ doors }) => {
    const { headers } = request;
    if (headers.get('x-hyndle-by') !== 'stranger') throw new Problem(409, 'Joined already', 'This device is in already.');
    if (headers.get('content-type')?.split(';')[0] !== 'application/json') throw new Problem(415, 'Wrong kind of body', 'Send application/json.');
    const { digits, name } = checked(joinInput, readJson(await readLimited(request, MOST_BYTES)));
    const address = plainAddress(headers.get('x-hyndle-peer') ?? '');
    const waitS = Math.ceil(doors.limits.waitMs('guess', address) / 1000);
    if (waitS > 0) {
      const late = problemResponse(429, 'Too many tries', `Too many tries from this device. Wait ${waitS} s, then type the digits that are shown then.`, []);
      late.headers.set('retry-after', String(waitS));
      return late;
    }
    const joined = doors.join(digits, name, address);
    if (joined.kind !== 'in') throw new Problem(403, 'Not let in', WORDS[joined.kind], [{ at: 'digits', message: WORDS[joined.kind] }]);
    const cookie = cookieLine(joined.cookie, headers.get('x-hyndle-secure') === 'yes');
    return Response.json({ joined: true }, { headers: { 'cache-control': 'no-store', 'set-cookie': cookie } });
  });
