import { createReadStream, rmSync, statSync } from 'node:fs';
import { Readable } from 'node:stream';
import { archiveNow, putBack, takeArchive } from '@/server/archive';
import { answerWith } from '@/server/door';
import { openApp } from '@/server/openApp';

export const dynamic = 'force-dynamic';

/** Everything as one file. */
export const GET = (request: Request): Promise<Response> =>
  answerWith(openApp, request, async (app) => {
    const file = await archiveNow(app);
    const stream = createReadStream(file);
    stream.once('close', () => rmSync(file, { force: true }));
    const day = new Date(app.nowMs()).toISOString().slice(0, 10);
    return new Response(Readable.toWeb(stream) as ReadableStream, {
      headers: {
        'content-type': 'application/zip',
        'content-length': String(statSync(file).size),
        'content-disposition': `attachment; filename="hyndle-${day}.zip"`,
        'cache-control': 'no-store',
      },
    });
  });

/** A file that was saved before: shown what it would change, or with `?take=yes` taken in. `?back=<copy>` puts everything back as a copy says. */
export const POST = (request: Request): Promise<Response> =>
  answerWith(openApp, request, async (app) => {
    const { searchParams } = new URL(request.url);
    const back = searchParams.get('back');
    if (back !== null) return Response.json(await putBack(app, back), { headers: { 'cache-control': 'no-store' } });
    const take = searchParams.get('take') === 'yes';
    return Response.json(await takeArchive(app, request.body, take), { headers: { 'cache-control': 'no-store' } });
  });
