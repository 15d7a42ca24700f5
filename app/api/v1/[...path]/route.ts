import { answer, answerWith, decoded } from '@/server/door';
import { isDemo, openApp } from '@/server/openApp';
import { isPalette, paletteAt } from '@/server/palettes';
import { isSheet, sheetAt } from '@/server/sheets';

export const dynamic = 'force-dynamic';

const pathOf = (request: Request): string => new URL(request.url).pathname.replace(/^\/api\/v1/, '');
const door = (request: Request): Promise<Response> => answer(openApp, request, pathOf(request), isDemo);

/** Tables for a spreadsheet and palettes have addresses of their own beside what they are made of. */
function look(request: Request): Promise<Response> {
  const path = pathOf(request);
  if (isSheet(path)) return answerWith(openApp, request, (app) => sheetAt(app, decoded(path), new URL(request.url).searchParams));
  return isPalette(path) ? answerWith(openApp, request, (app) => paletteAt(app, path)) : door(request);
}

export { door as POST, door as PUT, door as PATCH, door as DELETE, look as GET };
