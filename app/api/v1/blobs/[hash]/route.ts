import { answerWith } from '@/server/door';
import { openApp } from '@/server/openApp';
import { picture } from '@/server/pictures';

export const dynamic = 'force-dynamic';

/** A picture by its checksum: what is under a name never changes. */
export const GET = (request: Request, { params }: { params: Promise<{ hash: string }> }): Promise<Response> =>
  answerWith(openApp, request, async (app) => {
    const { bytes, type } = await picture(app, (await params).hash);
    return new Response(new Uint8Array(bytes), {
      headers: { 'content-type': type, 'cache-control': 'private, max-age=31536000, immutable', 'content-security-policy': "default-src 'none'; sandbox" },
    });
  });
