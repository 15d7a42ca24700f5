import { problemResponse } from '@/server/door';
import { openFront } from '@/server/doors/openDoors';

export const dynamic = 'force-dynamic';

/** The authority of this home, for a device to trust. It is no secret: it only says whom to believe. */
export function GET(): Response {
  const authority = openFront()?.authority;
  if (!authority) return problemResponse(404, 'Not found', 'There is no certificate: the home network is not listened on.', []);
  return new Response(authority.pem, {
    headers: { 'content-type': 'application/x-x509-ca-cert', 'content-disposition': 'attachment; filename="hyndle-at-home.crt"', 'cache-control': 'no-store' },
  });
}
