import { meaningOf, segmentsOf } from '@/contract/address';
import { answer, answerWith } from '@/server/door';
import { isDemo, openApp } from '@/server/openApp';
import { isPalette, paletteAt } from '@/server/palettes';
import { isSheet, sheetAt } from '@/server/sheets';

export const dynamic = 'force-dynamic';

const door = (request: Request): Promise<Response> => answer(openApp, request, isDemo);

/** Tables for a spreadsheet and palettes have addresses of their own beside what they are made of. */
function look(request: Request): Promise<Response> {
  const { pathname, searchParams } = new URL(request.url);
  const meaning = meaningOf('GET', segmentsOf(pathname) ?? []);
  if (meaning.kind !== 'file') return door(request);
  const { id, params } = meaning;
  if (isSheet(id)) return answerWith(openApp, request, (app) => sheetAt(app, id, params, searchParams));
  return isPalette(id) ? answerWith(openApp, request, (app) => paletteAt(app, id)) : door(request);
}

export { door as POST, door as PUT, door as PATCH, door as DELETE, look as GET };
