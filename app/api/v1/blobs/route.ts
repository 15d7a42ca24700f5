import { answerWith } from '@/server/door';
import { openApp } from '@/server/openApp';
import { keepPicture } from '@/server/pictures';

export const dynamic = 'force-dynamic';

/** Keeps a picture under the checksum of its bytes. */
export const POST = (request: Request): Promise<Response> =>
  answerWith(openApp, request, async (app) => Response.json(await keepPicture(app, request.body), { headers: { 'cache-control': 'no-store' } }));
