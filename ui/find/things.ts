import type { LotView, SessionSummary } from '@/contract/views';
import { printComposition, printFinishes } from '@/core/fibre/lot';
import type { Thing } from '@/core/find/find';
import type { Vessel } from '@/core/kitchen/vessel';
import { WORDS } from '@/core/trade/words';
import type { Book } from '../api/useBook';
import { TREATMENT_WORD } from '../fibre/lotText';
import { KIND_WORD } from '../theme/stitches';

const PAGES: readonly Thing[] = [
  ['Now', '/', 'today calls hands'],
  ['Sessions', '/sessions', 'plans runs records'],
  ['Plan a session', '/sessions/new', 'new plan'],
  ['Fibre', '/fibre', 'lots yarn cloth'],
  ['Labels', '/fibre/labels', 'print codes tags'],
  ['Dyestuffs', '/shelf?tab=dyestuffs', 'shelf plants stock'],
  ['Assistants', '/shelf?tab=assistants', 'shelf mordants acids alkalis chemicals stock'],
  ['Kept baths', '/shelf?tab=liquors', 'shelf baths'],
  ['Vessels', '/shelf?tab=vessels', 'shelf pots pails kitchen'],
  ['Devices at home', '/shelf?tab=home', 'phone tablet join six digits network token probe script put out'],
  ['Home', '/shelf?tab=home', 'diary heat scales probes altitude measures ounces Fahrenheit preferences settings'],
  ['Methods', '/methods', 'library schools recipes'],
  ['Dose', '/bench?tool=dose', 'bench percent weight of fibre water scale a recipe'],
  ['Ratio and harvest', '/bench?tool=harvest', 'bench plant gather stand'],
  ['Spoons', '/bench?tool=spoons', 'bench teaspoon cup powder grams'],
  ['Dilution', '/bench?tool=ladder', 'bench ladder halving parts topping up'],
  ['Stock solution', '/bench?tool=stock', 'bench small weights label hydrate soda'],
  ['Cloth and yarn', '/bench?tool=weight', 'bench weight area tex count'],
  ['Boiling point', '/bench?tool=boil', 'bench altitude Celsius Fahrenheit'],
  ['What went wrong', '/bench?tool=trouble', 'bench troubles causes'],
  ['Swatches', '/swatches', 'wall results colours pictures nearest compare'],
  ['Trials', '/swatches/trials', 'grid test compare samples ladder factors experiment'],
  ['For programs', '/programs', 'api scripts openapi http csv export'],
  ['Words', '/bench?tool=words', 'bench meaning trade glossary'],
].map(([name = '', href = '', words = '']) => ({ id: `page-${href}`, kind: 'page', name, href, words }));

export interface Findable {
  readonly lots: readonly LotView[];
  readonly sessions: readonly SessionSummary[];
  readonly vessels: readonly Vessel[];
  readonly book: Book;
}

/** Everything that has a name, with all the words on it. */
export function thingsOf({ lots, sessions, vessels, book }: Findable): Thing[] {
  return [
    ...PAGES,
    ...lots.map((lot): Thing => {
      const past = lot.passport.treatments.map((treatment) => `${TREATMENT_WORD[treatment.kind]} ${treatment.substance ?? ''} ${treatment.note}`);
      const words = [lot.id, printComposition(lot.composition), printFinishes(lot.finishes), lot.form, lot.note, ...past].join(' ');
      return { id: `lot-${lot.id}`, kind: 'lot', name: lot.name, words, href: `/fibre/${lot.id}` };
    }),
    ...sessions.map((session): Thing => {
      const phase = session.run?.phase ?? 'planned';
      const href = phase === 'running' ? `/runs/${session.run?.id}` : phase === 'finished' ? `/runs/${session.run?.id}/record` : `/sessions/${session.id}`;
      return { id: `session-${session.id}`, kind: 'session', name: session.name, words: `${phase} ${session.lotNames.join(' ')}`, href };
    }),
    ...book.methods.map(
      (method): Thing => ({
        id: `method-${method.id}`,
        kind: 'method',
        name: method.name,
        words: `${method.school} ${method.why} ${KIND_WORD[method.stage]}`,
        href: `/methods/${method.id}`,
      }),
    ),
    ...book.dyestuffs.map(
      (stuff): Thing => ({
        id: `stuff-${stuff.id}`,
        kind: 'dyestuff',
        name: stuff.name,
        words: `${stuff.part} ${stuff.botanical ?? ''} ${stuff.colour.text} ${stuff.behaviour.text}`,
        href: `/shelf?tab=dyestuffs&of=${stuff.id}`,
      }),
    ),
    ...book.assistants.map(
      (stuff): Thing => ({
        id: `assistant-${stuff.id}`,
        kind: 'assistant',
        name: stuff.name,
        words: `${stuff.group} ${stuff.formula ?? ''} ${stuff.inBrief}`,
        href: `/shelf?tab=assistants&of=${stuff.id}`,
      }),
    ),
    ...book.liquors.map(
      (liquor): Thing => ({
        id: `liquor-${liquor.id}`,
        kind: 'kept bath',
        name: liquor.name,
        words: `${liquor.place} ${liquor.note} ${liquor.dyestuffId ? book.shelf.nameOf(liquor.dyestuffId) : ''}`,
        href: `/shelf/baths/${liquor.id}`,
      }),
    ),
    ...vessels.map(
      (vessel): Thing => ({
        id: `vessel-${vessel.id}`,
        kind: 'vessel',
        name: vessel.name,
        words: `${vessel.kind} ${vessel.material}`,
        href: '/shelf?tab=vessels',
      }),
    ),
    ...WORDS.map(([word, meaning]): Thing => ({ id: `word-${word}`, kind: 'word', name: word, words: meaning, href: `/bench?tool=words&word=${word}` })),
  ];
}
