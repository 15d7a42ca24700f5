import { answer } from '@/server/door';
import { isDemo, openApp } from '@/server/openApp';

export const dynamic = 'force-dynamic';

const door = (request: Request): Promise<Response> =>
  answer(openApp, request, decodeURIComponent(new URL(request.url).pathname).replace(/^\/api\/v1/, ''), isDemo);

export { door as GET, door as POST, door as PUT, door as PATCH, door as DELETE };
