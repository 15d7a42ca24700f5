'use client';
import { gramsToMl, nearestSpoons, spoonsToGrams } from '@/core/dose/spoons';
import { printMass, printVolume } from '@/core/measure/print';
import type { StockLevel } from '@/core/shelf/stock';
import type { Book } from '../api/useBook';
import { Answer, Ask, Choose } from './parts';
import { readQuantity } from './read';
import type { Address } from './useAddress';

const KITCHENS = [
  { value: '', label: 'ask each time' },
  { value: 'us', label: 'US' },
  { value: 'metric', label: 'metric' },
  { value: 'imperial', label: 'imperial' },
  { value: 'australian', label: 'Australian' },
] as const;

/** Powders by the spoon and back: never one figure, always how far it may be off. */
export function SpoonTool({ address, book, levels }: { address: Address; book: Book; levels: readonly StockLevel[] }) {
  const powders = book.assistants.filter((one) => one.bulkGPerMl !== null);
  const powder = powders.find((one) => one.id === address.get('powder', 'alum'));
  const own = levels.find((level) => level.item.substance === powder?.id && level.item.ownBulkGPerMl !== null)?.item.ownBulkGPerMl ?? null;
  const bulk: readonly [number, number] | null = own === null ? (powder?.bulkGPerMl ?? null) : [own, own];
  const kitchen = KITCHENS.find((one) => one.value === address.get('kitchen', ''))?.value || null;
  const spoons = readQuantity(address.get('spoons', '1 tsp (US)'), 'volume', 'mL', kitchen);
  const grams = readQuantity(address.get('grams', ''), 'mass', 'g');
  const range = bulk && spoons.value !== null ? spoonsToGrams(spoons.value, bulk) : null;
  const back = bulk && grams.value !== null ? gramsToMl(grams.value, bulk) : null;
  return (
    <>
      <div className="params">
        <Choose address={address} name="powder" label="Powder" otherwise="alum" options={powders.map((one) => ({ value: one.id, label: one.name }))} />
        <Choose address={address} name="kitchen" label="Whose spoons" otherwise="" options={KITCHENS} />
        <Ask address={address} name="spoons" label="By the spoon" otherwise="1 tsp (US)" problem={spoons.problem} hint="such as 1 1/2 tsp, ½ cup (US)" />
        <Ask address={address} name="grams" label="Or by weight" otherwise="" problem={grams.problem} hint="such as 25 g" />
      </div>
      {range ? (
        <Answer what={`${printVolume(spoons.value ?? 0)} of ${powder?.name} weigh`}>
          {printMass(range.midG)}, give or take {Math.round(range.plusMinusPct)} %: {printMass(range.lowG)} to {printMass(range.highG)}
        </Answer>
      ) : null}
      {back && grams.value !== null ? (
        <Answer what={`${printMass(grams.value)} of ${powder?.name} are about`}>
          {nearestSpoons((back[0] + back[1]) / 2, kitchen === 'us' ? 'us' : 'metric') ?? 'less than a spoon measures'}: {printVolume(back[0])} to{' '}
          {printVolume(back[1])}
        </Answer>
      ) : null}
      <p className="quiet small">
        {own === null
          ? 'Bulk densities are estimates. Weigh a spoon of your own once and write it on the shelf: then it is exact for your powder.'
          : `By your own spoon: 5 mL weigh ${printMass(own * 5)}.`}
      </p>
    </>
  );
}
