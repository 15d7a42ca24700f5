'use client';
import { gramsToMl, nearestSpoons, spoonsToGrams } from '@/core/dose/spoons';
import { knownText } from '@/core/figure';
import { KITCHENS } from '@/core/measure/measures';
import { printNumber } from '@/core/measure/print';
import { bulkOf } from '@/core/shelf/spoonOf';
import type { StockLevel } from '@/core/shelf/stock';
import type { Book } from '../api/useBook';
import { massReader, volumeReader } from '../form/typed';
import { usePrint } from '../shell/facts';
import { Answer, Ask, Choose } from './parts';
import { above0, asked } from './read';
import type { Address } from './useAddress';

const KITCHEN_WORD = { us: 'US', metric: 'metric', imperial: 'imperial', australian: 'Australian' } as const;
const ASK = 'ask';

/** Powders by the spoon and back: never one figure, always how far it may be off. */
export function SpoonTool({ address, book, levels }: { address: Address; book: Book; levels: readonly StockLevel[] }) {
  const print = usePrint();
  const powders = book.assistants.filter((one) => one.bulkGPerMl !== null);
  const powder = powders.find((one) => one.id === address.get('powder', 'alum'));
  const bulk = powder ? bulkOf(powder.id, book.shelf, levels) : null;
  const own = bulk && bulk[0] === bulk[1] ? bulk[0] : null;
  const usual = print.measures.kitchen ?? ASK;
  const kitchen = KITCHENS.find((one) => one === address.get('kitchen', usual)) ?? null;
  const spoons = asked(address, 'spoons', '1 tsp (US)', above0(volumeReader({ ...print.measures, kitchen })));
  const grams = asked(address, 'grams', '', above0(massReader(print.measures)));
  const bath = asked(address, 'bath', '', above0(volumeReader(print.measures, 'L')));
  const range = bulk && spoons.value !== null ? spoonsToGrams(spoons.value, bulk) : null;
  const back = bulk && grams.value !== null ? gramsToMl(grams.value, bulk) : null;
  return (
    <>
      <div className="fields">
        <Choose address={address} name="powder" label="Powder" otherwise="alum" options={powders.map((one) => ({ value: one.id, label: one.name }))} />
        <Choose
          address={address}
          name="kitchen"
          label="Whose spoons"
          otherwise={usual}
          options={[{ value: ASK, label: 'ask each time' }, ...KITCHENS.map((value) => ({ value, label: KITCHEN_WORD[value] }))]}
        />
        <Ask {...spoons.field} label="By the spoon" hint="such as 1 1/2 tsp, ½ cup (US)" />
        <Ask {...grams.field} label="Or by weight" hint="such as 25 g" />
        <Ask {...bath.field} label="Into a bath of" hint="such as 4 L" />
      </div>
      {range ? (
        <Answer what={`${print.volume(spoons.value ?? 0)} of ${powder?.name} weigh`}>
          {print.mass(range.midG)}, give or take {Math.round(range.plusMinusPct)} %: {print.mass(range.lowG)} to {print.mass(range.highG)}
        </Answer>
      ) : null}
      {range ? (
        <Answer what="In the bath">
          {bath.value === null
            ? 'g/L unknown until its volume is'
            : `${knownText({ least: (range.lowG / bath.value) * 1000, most: (range.highG / bath.value) * 1000 }, printNumber)} g/L`}
        </Answer>
      ) : null}
      {back && grams.value !== null ? (
        <Answer what={`${print.mass(grams.value)} of ${powder?.name} are about`}>
          {nearestSpoons((back[0] + back[1]) / 2, kitchen === 'us' ? 'us' : 'metric') ?? 'less than a spoon measures'}: {print.volume(back[0])} to{' '}
          {print.volume(back[1])}
        </Answer>
      ) : null}
      <p className="quiet small">
        {own === null
          ? 'Bulk densities are estimates. Weigh a spoon of your own once and write it on the shelf: then it is exact for your powder.'
          : `By your own spoon: 5 mL weigh ${print.mass(own * 5)}.`}
      </p>
    </>
  );
}
